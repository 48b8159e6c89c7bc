/** Corner coordinates along the three axes, in cells: the middle of cell 3 is at 3. */
export interface CellCorners {
  u: Float64Array
  v: Float64Array
  w: Float64Array
}

/**
 * Where the surface crosses the middles of the columns along w: at each crossing, +1 (entering)
 * or −1 (leaving) on the first cell whose middle lies above it. Columns hold `nw` cells.
 *
 * A scanline for each triangle with half-open rows and spans; every edge's crossing is reckoned
 * from its lower end to its upper, so that two faces at an edge get the same bits and a closed
 * surface cannot leak. Source: the top-left rule of polygon filling, from memory.
 */
export function scanColumns(
  { u, v, w }: CellCorners,
  triangles: Uint32Array,
  [nu, nv, nw]: readonly [number, number, number],
): Int8Array {
  const crossings = new Int8Array(nu * nv * nw)
  const last = nw - 1
  for (let t = 0; t < triangles.length; t += 3) {
    const a = triangles[t]
    const b = triangles[t + 1]
    const c = triangles[t + 2]
    const va = v[a]
    const vb = v[b]
    const vc = v[c]
    const first = Math.ceil(va < vb ? (va < vc ? va : vc) : vb < vc ? vb : vc)
    const end = Math.ceil(va > vb ? (va > vc ? va : vc) : vb > vc ? vb : vc)
    if (first >= end) continue
    const ua = u[a]
    const ub = u[b]
    const uc = u[c]
    // Most triangles of a fine mesh lie between two columns.
    const left = Math.ceil(ua < ub ? (ua < uc ? ua : uc) : ub < uc ? ub : uc)
    const right = Math.ceil(ua > ub ? (ua > uc ? ua : uc) : ub > uc ? ub : uc)
    if (left >= right) continue
    const turn = (ub - ua) * (vc - va) - (uc - ua) * (vb - va)
    if (turn === 0) continue
    const sign = turn > 0 ? -1 : 1
    for (let y = first; y < end; y++) {
      const lowA = va <= y
      const lowB = vb <= y
      const lowC = vc <= y
      let u1 = 0
      let w1 = 0
      let u2 = 0
      let w2 = 0
      let found = 0
      if (lowA !== lowB) {
        const from = lowA ? a : b
        const to = lowA ? b : a
        const s = (y - v[from]) / (v[to] - v[from])
        u1 = u[from] + s * (u[to] - u[from])
        w1 = w[from] + s * (w[to] - w[from])
        found = 1
      }
      if (lowB !== lowC) {
        const from = lowB ? b : c
        const to = lowB ? c : b
        const s = (y - v[from]) / (v[to] - v[from])
        const at = u[from] + s * (u[to] - u[from])
        const height = w[from] + s * (w[to] - w[from])
        if (found) {
          u2 = at
          w2 = height
        } else {
          u1 = at
          w1 = height
        }
        found++
      }
      if (found < 2) {
        const from = lowC ? c : a
        const to = lowC ? a : c
        const s = (y - v[from]) / (v[to] - v[from])
        u2 = u[from] + s * (u[to] - u[from])
        w2 = w[from] + s * (w[to] - w[from])
      }
      if (u1 > u2) {
        const keptU = u1
        u1 = u2
        u2 = keptU
        const keptW = w1
        w1 = w2
        w2 = keptW
      }
      const stop = Math.ceil(u2)
      const slope = (w2 - w1) / (u2 - u1)
      for (let x = Math.ceil(u1); x < stop; x++) {
        const height = Math.ceil(w1 + (x - u1) * slope)
        const cell = height < 0 ? 0 : height > last ? last : height
        crossings[(y * nu + x) * nw + cell] += sign
      }
    }
  }
  return crossings
}
