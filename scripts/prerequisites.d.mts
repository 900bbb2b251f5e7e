/** Where Debian’s headless Chromium lies. */
export const CHROMIUM: string
export const root: string
