import type { Mesh } from '../../mesh/mesh.ts'
import type { Grid } from '../voxel/grid.ts'
import { Faces, ownerOf, ownersOf } from './faces.ts'
import type { AirPocket } from './pocket.ts'

/** A saddle this close to a level face lies on it, cells. */
const snap = 1.5

/**
 * The same pockets with exact volumes: the flux Σ P·(z̄ − saddle) through the part of the surface
 * above the saddle, P its area projected upward. Each face is given to the pocket whose cells lie
 * beneath it. A saddle within 1.5 cells of a level face is put onto that face.
 * Source: divergence theorem; the cap at the saddle drops out.
 */
export function exactPockets(
  mesh: Mesh,
  grid: Grid,
  pockets: readonly AirPocket[],
  bottom: number,
): AirPocket[] {
  if (pockets.length === 0) return []
  const owner = ownersOf(grid, pockets)
  const faces = new Faces(mesh, grid, bottom)
  const saddles = snapped(faces, pockets, grid.cell[2])
  const volumes = pockets.map(() => 0)
  const tops = pockets.map(() => 0)
  const highest = pockets.map((pocket) => pocket.top)
  for (let t = 0; t < mesh.triangles.length; t += 3) {
    if (faces.top(t) <= Math.min(...saddles)) continue
    const pocket = ownerOf(faces.middle(t), faces.normal(t), grid, owner)
    if (pocket < 0) continue
    volumes[pocket] += faces.fluxAbove(t, saddles[pocket])
    const { height, point } = faces.highest(t)
    if (height > tops[pocket]) {
      tops[pocket] = height
      highest[pocket] = point
    }
  }
  return pockets.map((pocket, i) => {
    // Faces that could not be told apart leave the cells' own sum the better answer.
    const trusted = volumes[i] > 0.7 * pocket.volume && volumes[i] < 1.4 * pocket.volume
    return {
      ...pocket,
      saddle: saddles[i],
      volume: trusted ? volumes[i] : pocket.volume,
      topHeight: tops[i] > saddles[i] ? tops[i] : pocket.topHeight,
      top: tops[i] > saddles[i] ? highest[i] : pocket.top,
    }
  })
}

/** Saddles put onto the level face within reach that has the most area. */
function snapped(faces: Faces, pockets: readonly AirPocket[], cell: number): number[] {
  const areas = pockets.map(() => new Map<number, number>())
  for (let t = 0; t < faces.count; t += 3) {
    const height = faces.levelAt(t)
    if (height === undefined) continue
    pockets.forEach(({ saddle, neverFilled }, i) => {
      if (neverFilled || Math.abs(height - saddle) > snap * cell) return
      const key = Math.round(height * 1e7)
      areas[i].set(key, (areas[i].get(key) ?? 0) + Math.hypot(...faces.normal(t)))
    })
  }
  return pockets.map(({ saddle }, i) => {
    let most = 0
    let best = saddle
    for (const [key, area] of areas[i]) {
      if (area > most) [most, best] = [area, key / 1e7]
    }
    return best
  })
}
