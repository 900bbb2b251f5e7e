export type Panel = 'brief' | 'base' | 'stems' | 'fixing' | 'hanging' | 'order' | 'cost'

/** The panels of the bench, in the order of the work. */
export const PANELS: readonly { readonly id: Panel; readonly name: string }[] = [
  { id: 'brief', name: 'Brief' },
  { id: 'base', name: 'Base' },
  { id: 'stems', name: 'Stems' },
  { id: 'fixing', name: 'Fixing' },
  { id: 'hanging', name: 'Hanging' },
  { id: 'order', name: 'Order' },
  { id: 'cost', name: 'Cost' },
]

const OF_PARTS: ReadonlySet<Panel> = new Set(['base', 'stems', 'fixing'])
/** Whether a panel says something of a part that is worked on by itself; the rest is of the whole piece. */
export const ofParts = (panel: Panel): boolean => OF_PARTS.has(panel)
