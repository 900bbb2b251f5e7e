import { createHash } from 'node:crypto'

/**
 * What the browser may do with what this server sends. The page's own inline scripts are named by their hashes.
 * @param scripts hashes as in `'sha256-…'`
 */
export const contentPolicy = (scripts: readonly string[] = []): string =>
  [
    "default-src 'none'",
    `script-src 'self' ${scripts.join(' ')}`.trim(),
    // Vue and the charts set styles on elements.
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self' data:",
    "connect-src 'self' blob:",
    "worker-src 'self'",
    "manifest-src 'self'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
    "object-src 'none'",
  ].join('; ')

/** Sent with everything. */
export const HEADERS: Readonly<Record<string, string>> = {
  'content-security-policy': contentPolicy(),
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
  'permissions-policy': 'camera=(), geolocation=(), microphone=(), payment=(), usb=()',
  'cross-origin-opener-policy': 'same-origin',
  'cross-origin-resource-policy': 'same-origin',
}

/** The hashes of the scripts that stand in a page itself. Blocks of data do not run and need none. */
export function inlineScripts(html: string): string[] {
  const hashes = new Set<string>()
  for (const [, attributes, script] of html.matchAll(/<script\b([^>]*)>([\s\S]*?)<\/script>/g)) {
    if (/\bsrc=/.test(attributes!) || /type="application\/json"/.test(attributes!)) continue
    hashes.add(`'sha256-${createHash('sha256').update(script!).digest('base64')}'`)
  }
  return [...hashes]
}
