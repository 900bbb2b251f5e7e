let base = '/'

/** Says under which path the app is served. @param path with a slash at both ends */
export function servedAt(path: string): void {
  base = path
}

/** An address of this app's own, wherever it is served. @example addressOf('api/shops') // '/bench/api/shops', where it is served under /bench/ */
export const addressOf = (path: string): string => `${base}${path}`
