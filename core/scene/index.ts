export * from './scene'
export * from './surface'
export * from './light'
export { baseBounds, baseGlyph, putBase, tuckGlyph, tuckTwin } from './base'
