import type { Pull } from './pull.ts'

/**
 * How far the ratio of each layer was off by what was actually weighed, as a share; undefined
 * where a part was not written down.
 *
 * @example ratioErrors(pullWithTwoPercentMoreA)[0] // 0.02
 */
export function ratioErrors(pull: Pull): (number | undefined)[] {
  return pull.layers.map(({ amounts }) => {
    const a = amounts.find((amount) => amount.what === 'A')
    const b = amounts.find((amount) => amount.what === 'B')
    if (!a?.weighed || !b?.weighed || !a.planned || !b.planned) return undefined
    return a.weighed / b.weighed / (a.planned / b.planned) - 1
  })
}
