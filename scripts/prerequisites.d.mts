/** Where Debian’s headless Chromium lies. */
export const CHROMIUM: string
