import { computed } from 'vue'
import type { Layer, RuleKind, RuleOf } from '#core/piece'
import { useBench } from '~/stores/bench'

/** Names of the numbers, and of the yes-or-no, that a kind of rule has. */
type NumbersOf<R> = Extract<{ [N in keyof R]: number extends R[N] ? N : never }[keyof R], string>
type TicksOf<R> = Extract<{ [N in keyof R]: R[N] extends boolean ? N : never }[keyof R], string>

/** What the fields of a layer's rule need: where it lies, what it came to, and how each kind of number is taken. */
export function useRuleFields<K extends RuleKind>(props: { readonly layer: Layer; readonly rule: RuleOf<K> }) {
  type R = RuleOf<K>
  const bench = useBench()
  const run = computed(() => bench.runOfLayer(props.layer))
  const units = computed(() => bench.manner.units)
  const place = computed(() => ({ run: run.value, units: units.value }))
  const worked = computed(() => bench.workings?.layers.find(({ id }) => id === props.layer.id))

  const set = (change: Partial<R>, words: string): string | null =>
    bench.apply({ do: 'layer', layer: props.layer.id, set: { rule: { ...props.rule, ...change } } }, words)
  const put = (name: string, value: unknown, words: string): string | null => set({ [name]: value } as Partial<R>, words)
  const number =
    (name: NumbersOf<R>, words: string) =>
    (n: number): string | null =>
      put(name, n, words)
  /** A length that has to be there, mm. */
  const length =
    (name: NumbersOf<R>, words: string) =>
    (mm: number | null): string | null =>
      mm === null ? 'Give a length.' : put(name, mm, words)
  /** A share, typed in hundredths. */
  const percent =
    (name: NumbersOf<R>, words: string) =>
    (hundredths: number): string | null =>
      put(name, hundredths / 100, words)
  const tick =
    (name: TicksOf<R>, words: string) =>
    (event: Event): string | null =>
      put(name, (event.target as HTMLInputElement).checked, words)

  const titleOf = (layer: Layer): string =>
    `${bench.piece!.layers.indexOf(layer) + 1}. ${bench.workings?.layers.find(({ id }) => id === layer.id)?.title ?? layer.id}`
  /** The layers that this one can go by; one that is gone stays listed until another is chosen. */
  const others = computed(() => {
    const there = bench.piece!.layers.filter(({ id }) => id !== props.layer.id).map((each) => ({ value: each.id, name: titleOf(each) }))
    const of = 'of' in props.rule ? props.rule.of : null
    return of !== null && !there.some(({ value }) => value === of) ? [{ value: of, name: 'a layer that is gone' }, ...there] : there
  })
  return { bench, run, units, place, worked, set, number, length, percent, tick, others }
}
