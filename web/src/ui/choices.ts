/** One of a list: its value, what it is called, and where it helps, a hint. */
export interface Choice<V extends string> {
  value: V
  label: string
  hint?: string
}

/** What a list offers; values alone are called what they are. */
export type Choices<V extends string> = Readonly<Record<V, string>> | readonly (V | Choice<V>)[]

/** @example choicesOf({ yes: 'at hand' }) // [{ value: 'yes', label: 'at hand' }] */
export function choicesOf<V extends string>(choices: Choices<V>): Choice<V>[] {
  if (Array.isArray(choices))
    return (choices as readonly (V | Choice<V>)[]).map((one) =>
      typeof one === 'string' ? { value: one, label: one } : one,
    )
  return Object.entries<string>(choices as Record<V, string>).map(([value, label]) => ({
    value: value as V,
    label,
  }))
}
