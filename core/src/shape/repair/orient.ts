import { eachEdge, halfEdgesOf, runsDown } from '../halfEdges.ts'
import type { Mesh } from '../mesh.ts'
import type { Vec3 } from '../vector.ts'
import { shellsOf, type Shell } from './shells.ts'

/** Nesting is looked into for this many shells at most; a scan's dust has thousands. */
const mostNested = 200

/**
 * The same mesh with all faces looking outward, in place: faces that disagree with their
 * neighbours are turned, then each shell by how many others it lies in (even: outward, odd: it
 * bounds a void). Says how many faces were turned.
 */
export function orientInPlace(mesh: Mesh): { turned: number } {
  const before = mesh.triangles.slice()
  agree(mesh)
  const shells = shellsOf(mesh)
  const closed = shells.filter(({ openEdges }) => openEdges === 0).slice(0, mostNested)
  for (const shell of shells) {
    const others = closed.filter((other) => other !== shell)
    const depth = others.filter((other) => holds(mesh, other, cornerOf(mesh, shell))).length
    const outward = depth % 2 === 0
    if (shell.volume > 0 !== outward) for (const face of shell.faces) turn(mesh.triangles, face)
  }
  let turned = 0
  for (let i = 0; i < before.length; i += 3) {
    // A face turned twice may come back as another rotation of the same three corners.
    if (!sameTurn(before, mesh.triangles, i)) turned++
  }
  return { turned }
}

const sameTurn = (a: Uint32Array, b: Uint32Array, i: number) => {
  const k = [0, 1, 2].find((n) => b[i + n] === a[i])!
  return b[i + ((k + 1) % 3)] === a[i + 1]
}

function turn(triangles: Uint32Array, face: number): void {
  const second = triangles[3 * face + 1]
  triangles[3 * face + 1] = triangles[3 * face + 2]
  triangles[3 * face + 2] = second
}

/** Walks from face to face across edges of two, turning those that disagree. */
function agree(mesh: Mesh): void {
  const { triangles } = mesh
  const edges = halfEdgesOf(mesh)
  const links: [number, boolean][][] = Array.from({ length: triangles.length / 3 }, () => [])
  eachEdge(edges, (_, __, from, to) => {
    if (to - from !== 2) return
    const [a, b] = [edges.sorted[from], edges.sorted[from + 1]]
    const differ = runsDown(triangles, a) === runsDown(triangles, b)
    links[Math.floor(a / 3)].push([Math.floor(b / 3), differ])
    links[Math.floor(b / 3)].push([Math.floor(a / 3), differ])
  })
  const seen = new Uint8Array(links.length)
  const flip = new Uint8Array(links.length)
  for (let start = 0; start < links.length; start++) {
    if (seen[start]) continue
    const queue = [start]
    seen[start] = 1
    for (let n = 0; n < queue.length; n++) {
      for (const [next, differ] of links[queue[n]]) {
        if (seen[next]) continue
        seen[next] = 1
        flip[next] = flip[queue[n]] ^ (differ ? 1 : 0)
        queue.push(next)
      }
    }
    // Turn the smaller side of the disagreement.
    const odd = queue.reduce((sum, face) => sum + flip[face], 0)
    const turning = odd > queue.length / 2 ? 0 : 1
    for (const face of queue) if (flip[face] === turning) turn(triangles, face)
  }
}

const cornerOf = ({ positions: p, triangles }: Mesh, shell: Shell): Vec3 => {
  const i = 3 * triangles[3 * shell.faces[0]]
  return [p[i], p[i + 1], p[i + 2]]
}

/** Whether a point lies inside a shell: crossings of a slightly slanted ray (Möller, Trumbore 1997). */
function holds({ positions: p, triangles }: Mesh, shell: Shell, [ox, oy, oz]: Vec3): boolean {
  const [dx, dy, dz] = [0.577215664, 0.301029995, 0.759835685]
  let crossings = 0
  for (const face of shell.faces) {
    const [a, b, c] = [0, 1, 2].map((k) => 3 * triangles[3 * face + k])
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
    const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
    const [px, py, pz] = [dy * vz - dz * vy, dz * vx - dx * vz, dx * vy - dy * vx]
    const det = ux * px + uy * py + uz * pz
    if (det === 0) continue
    const [tx, ty, tz] = [ox - p[a], oy - p[a + 1], oz - p[a + 2]]
    const s = (tx * px + ty * py + tz * pz) / det
    if (s < 0 || s > 1) continue
    const [qx, qy, qz] = [ty * uz - tz * uy, tz * ux - tx * uz, tx * uy - ty * ux]
    const r = (dx * qx + dy * qy + dz * qz) / det
    if (r < 0 || s + r > 1) continue
    if ((vx * qx + vy * qy + vz * qz) / det > 0) crossings++
  }
  return crossings % 2 === 1
}
