/** The keys of each branch of a union, and what stands there. */
type Key<T> = T extends unknown ? keyof T : never
type At<T, K> = T extends unknown ? (K extends keyof T ? T[K] : never) : never

/**
 * What the fields of a panel show and take, by key: `v-bind="field('room')"` for one that is typed,
 * `v-bind="choice('join')"` for a list.
 */
export function fieldsOf<T extends object, R>(
  source: () => T,
  change: (values: { [K in Key<T>]?: At<T, K> }) => R,
) {
  const value = <K extends Key<T>>(key: K) => source()[key as keyof T] as At<T, K>
  const put = <K extends Key<T>>(key: K, value: At<T, K>): R =>
    change({ [key]: value } as unknown as { [K in Key<T>]?: At<T, K> })
  return {
    field: <K extends Key<T>>(key: K) => ({
      value: value(key),
      take: (chosen: At<T, K>) => put(key, chosen),
    }),
    choice: <K extends Key<T>>(key: K) => ({
      value: value(key),
      onChoose: (chosen: At<T, K>) => put(key, chosen),
    }),
  }
}
