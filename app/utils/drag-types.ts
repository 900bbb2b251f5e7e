/** What a material is called while it is dragged. */
export const MATERIAL_TYPE = 'application/x-ruddy-bramble-material'
