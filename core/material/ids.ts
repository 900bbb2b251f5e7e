/**
 * Makes ids from names, each one that is not taken and was not given by this maker before.
 * @example idsFrom((id) => id === 'ivy')('Ivy') // 'ivy-2'
 */
export function idsFrom(taken: (id: string) => boolean): (name: string) => string {
  const numbers = new Map<string, number>()
  const given = new Set<string>()
  return (name) => {
    const base =
      name
        .toLowerCase()
        .normalize('NFKD')
        .replace(/[^a-z0-9]+/g, '-')
        .replace(/^-|-$/g, '')
        .slice(0, 50) || 'material'
    let n = numbers.get(base) ?? 1
    let id = n === 1 ? base : `${base}-${n}`
    for (; taken(id) || given.has(id); id = `${base}-${n}`) n += 1
    numbers.set(base, n)
    given.add(id)
    return id
  }
}
