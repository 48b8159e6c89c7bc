import type { Shell } from '../../mesh/repair/shells.ts'
import { UnionFind } from '../../mesh/unionFind.ts'

type Box = Pick<Shell, 'low' | 'high'>

export const boxesMeet = (a: Box, b: Box): boolean =>
  [0, 1, 2].every((k) => a.low[k] < b.high[k] && b.low[k] < a.high[k])

/**
 * The groups of shells that may overlap: those whose bounds meet, directly or through others.
 * Shells that meet none are in no group. Swept along x, each against those still open.
 *
 */
export function groupsThatMeet(shells: readonly Box[]): number[][] {
  const order = shells.map((_, i) => i).sort((a, b) => shells[a].low[0] - shells[b].low[0])
  const sets = new UnionFind(shells.length)
  let open: number[] = []
  for (const i of order) {
    open = open.filter((other) => shells[other].high[0] > shells[i].low[0])
    for (const other of open) if (boxesMeet(shells[i], shells[other])) sets.join(i, other)
    open.push(i)
  }
  const groups = new Map<number, number[]>()
  shells.forEach((_, i) => {
    const root = sets.root(i)
    groups.set(root, [...(groups.get(root) ?? []), i])
  })
  return [...groups.values()].filter((group) => group.length > 1)
}

/**
 * The shells of a group in layers, none of which holds two whose bounds meet: a layer is one
 * solid as it stands, so that only layers have to be united with one another.
 */
export function layersOf<S extends Box>(group: readonly S[]): S[][] {
  const layers: S[][] = []
  for (const shell of group) {
    const free = layers.find((layer) => !layer.some((other) => boxesMeet(shell, other)))
    if (free) free.push(shell)
    else layers.push([shell])
  }
  return layers
}
