/** For every face that crosses the plane, the two edges it is cut at (low·vertices + high). */
export function cutEdges(
  triangles: Uint32Array,
  side: Float64Array,
  middle: number,
): [number, number][] {
  const vertices = side.length
  const cuts: [number, number][] = []
  const found: number[] = []
  for (let i = 0; i < triangles.length; i += 3) {
    found.length = 0
    for (let k = 0; k < 3; k++) {
      const a = triangles[i + k]
      const b = triangles[i + ((k + 1) % 3)]
      if (side[a] > middle === side[b] > middle) continue
      found.push(Math.min(a, b) * vertices + Math.max(a, b))
    }
    if (found.length === 2) cuts.push([found[0], found[1]])
  }
  return cuts
}

/** Strings cuts that share an edge into runs; a run that comes back to its start is closed. */
export function chain(cuts: [number, number][]): { edges: number[]; closed: boolean }[] {
  const at = new Map<number, number[]>()
  cuts.forEach((cut, index) => {
    for (const edge of cut) {
      const known = at.get(edge)
      if (known) known.push(index)
      else at.set(edge, [index])
    }
  })
  const used = new Uint8Array(cuts.length)
  const follow = (edge: number): number[] => {
    const run: number[] = []
    for (;;) {
      const index: number | undefined = at.get(edge)?.find((candidate) => !used[candidate])
      if (index === undefined) return run
      used[index] = 1
      edge = cuts[index][0] === edge ? cuts[index][1] : cuts[index][0]
      run.push(edge)
    }
  }
  const runs: { edges: number[]; closed: boolean }[] = []
  for (let index = 0; index < cuts.length; index++) {
    if (used[index]) continue
    const start = cuts[index][0]
    const forward = follow(start)
    if (forward[forward.length - 1] === start) runs.push({ edges: forward, closed: true })
    else runs.push({ edges: [...follow(start).reverse(), start, ...forward], closed: false })
  }
  return runs
}
