/** What is new in a version of the app, in makers' words. */
export interface Release {
  readonly version: string
  readonly day: string
  readonly says: readonly string[]
}

/**
 * The versions that a changelog tells of, in its order.
 * @example releasesIn('## 0.2.0 (1 December 2026)\n\n- More.')[0] // { version: '0.2.0', day: '1 December 2026', says: ['More.'] }
 */
export const releasesIn = (text: string): Release[] =>
  [...text.matchAll(/^## (\S+) \(([^)]+)\)\n([\s\S]*?)(?=^## |(?![\s\S]))/gm)].map(([, version, day, body]) => ({
    version: version!,
    day: day!,
    says: [...body!.matchAll(/^- (.+(?:\n {2}.+)*)/gm)].map(([, line]) => line!.replace(/\n {2}/g, ' ')),
  }))

/** Those that came since a version was seen; all of the newest where it is not known. */
export function since(releases: readonly Release[], seen: string | null): Release[] {
  const at = releases.findIndex(({ version }) => version === seen)
  return releases.slice(0, at < 0 ? 1 : at)
}
