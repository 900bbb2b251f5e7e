/** Names by which materials were drawn in earlier versions, and what draws them now. */
const RENAMED: Readonly<Record<string, string>> = {
  twig: 'birch',
  'dried-pod': 'lotus-pod',
  'floret-head': 'hydrangea',
  slice: 'orange-slice',
  'stick-bundle': 'cinnamon',
  spool: 'roll-plain',
  bow: 'bow-plain',
}

/** The species that a stored or exported material means. */
export const speciesNow = (name: string): string => (Object.hasOwn(RENAMED, name) ? RENAMED[name]! : name)
