import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import { Problem } from '../../base/problem/index.ts'
import { axesFor, toAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { fibonacciCap } from '../../form/cells/index.ts'
import { supportPoints } from '../box/hull.ts'
import { jacketOf, supportFunction } from '../box/jacket.ts'
import type { MouldOpening } from '../mould.ts'
import { meshOf, mm } from './solidMesh.ts'

/** Thinner walls are not laid reliably by common printers, m (common practice, no source). */
export const thinnestShell = 0.0008

/** Directions that a ball is stood in for by while offsetting; the ball lies inside their hull. */
const ballDirections = 92

export interface ShellOptions {
  /** Silicone around the master, and the shell's wall, m. */
  layer: number
  wall: number
  /** Width of the flange beyond the wall, and of each half's flange, m. */
  flange?: number
  flangeThickness?: number
  /** Across a key, m. */
  key?: number
  /** Where the mould parts, m above the master's lowest point; left out: where it is widest. */
  parting?: number
}

/** Silicone is poured through a hole of this bore, m (from memory). */
const fillBore = 0.012

export interface PrintedShell {
  /** Two halves that meet at a level, in metres, standing with the master's up along z. */
  lower: Mesh
  upper: Mesh
  /** m³ inside the closed shell, and of that the silicone. */
  cavity: number
  silicone: number
  /** Height of the parting, m, in the halves' own frame. */
  parting: number
}

/**
 * A printable shell around a master: its convex hull moved outward by the silicone layer is the
 * cavity, moved further by the wall the outside; a flange with keys where it parts, a gate and vents
 * up through the upper half. From its widest height to the parting it goes straight up, so that both
 * halves draw off. Where a parting is given, silicone is poured in two goes: then the lower half has a
 * hole to fill it by, too, and the upper one wherever it has no opening. Built with manifold-3d, which
 * is passed in.
 *
 * Throws `Problem`: shell-too-thin at `shellWall`, solid-failed.
 */
export function printShell(
  kernel: ManifoldToplevel,
  master: Mesh,
  masterVolume: number,
  up: Vec3,
  openings: readonly Pick<MouldOpening, 'what' | 'at' | 'bore'>[],
  { layer, wall, flange = 0.008, flangeThickness = 0.003, key = 0.005, parting }: ShellOptions,
): PrintedShell {
  if (wall < thinnestShell) {
    throw new Problem('shell-too-thin', { wall, least: thinnestShell }, 'shellWall')
  }
  const used: Manifold[] = []
  const keep = (solid: Manifold) => {
    used.push(solid)
    return solid
  }
  try {
    const support = standingPoints(master, up)
    const grown = (by: number) => keep(kernel.Manifold.hull(offsetPoints(support, by * mm)))
    const { widest, at } = partingOf(master, up, support, layer, parting)
    const inner = keep(drawn(kernel, grown(layer), widest, at))
    const outer = keep(drawn(kernel, grown(layer + wall), widest, at))
    const brim = keep(kernel.Manifold.hull(offsetPoints(support, (layer + wall + flange) * mm)))
    const plate = keep(slab(kernel, brim, widest, at, flangeThickness * mm))
    const body = keep(outer.add(plate))
    const ends: End[] =
      parting === undefined ? [] : openings.length > 0 ? ['bottom'] : ['top', 'bottom']
    const holes = keep(
      kernel.Manifold.union([
        keep(bores(kernel, openings, up, outer, inner)),
        ...ends.map((end) => keep(fillHole(kernel, inner, outer, end))),
      ]),
    )
    const solid = keep(body.subtract(inner).subtract(holes))
    const [above, below] = solid.splitByPlane([0, 0, 1], at)
    used.push(above, below)
    const keys = keep(keyCones(kernel, brim, outer, widest, at, key * mm, 1))
    const sockets = keep(keyCones(kernel, brim, outer, widest, at, key * mm, 1.06))
    const lower = keep(below.add(keys))
    const upper = keep(above.subtract(sockets))
    for (const half of [lower, upper]) {
      if (half.status() !== 'NoError' || half.isEmpty()) {
        throw new Problem('solid-failed', { reason: String(half.status()) })
      }
    }
    const cavity = inner.volume() / mm ** 3
    return {
      lower: meshOf(lower),
      upper: meshOf(upper),
      cavity,
      silicone: cavity - masterVolume,
      parting: at / mm,
    }
  } finally {
    for (const solid of used) solid.delete()
  }
}

type Point = [number, number, number]

/** The farthest corners of the master, mm, in a frame whose z is up. */
function standingPoints(master: Mesh, up: Vec3): Point[] {
  const axes = axesFor(up)
  return supportPoints(master).map((point): Point => {
    const [x, y, z] = toAxes(axes, point)
    return [x * mm, y * mm, z * mm]
  })
}

/** Every point with a ball around it, as corners of a polyhedron that holds the ball. */
function offsetPoints(support: readonly Point[], by: number): Point[] {
  const directions = fibonacciCap(ballDirections, Math.PI)
  // Neighbours on the lattice lie about √(4π/n) apart; the polyhedron dips by its half angle.
  const dip = Math.cos(Math.sqrt((4 * Math.PI) / ballDirections) * 0.62)
  const reach = by / dip
  return support.flatMap(([x, y, z]) =>
    directions.map(([dx, dy, dz]): Point => [x + dx * reach, y + dy * reach, z + dz * reach]),
  )
}

/** Where it is widest, as near to its parting as can be, and where it parts, mm in its own frame. */
function partingOf(
  master: Mesh,
  up: Vec3,
  support: readonly Point[],
  layer: number,
  parting: number | undefined,
): { widest: number; at: number } {
  const heights = support.map(([, , z]) => z)
  const [low, high] = [Math.min(...heights), Math.max(...heights)]
  const height = (high - low) / mm
  const { widest } = jacketOf(supportFunction(master, up), height, layer, parting ?? height / 2)
  const inside = (z: number) => Math.max(low, Math.min(high, z))
  const z = low + widest * mm
  return { widest: z, at: parting === undefined ? z : inside(low + parting * mm) }
}

/** A solid that goes straight up or down from its widest height to the parting. */
function drawn(kernel: ManifoldToplevel, solid: Manifold, widest: number, at: number): Manifold {
  if (at === widest) return solid.translate([0, 0, 0])
  const cut = solid.slice(widest)
  const straight = kernel.Manifold.extrude(cut, Math.abs(at - widest) + 1e-3)
  cut.delete()
  const placed = straight.translate([0, 0, Math.min(at, widest) - 5e-4])
  straight.delete()
  const found = solid.add(placed)
  placed.delete()
  return found
}

type End = 'top' | 'bottom'

/** A hole through one end of the shell, where its cavity ends. */
function fillHole(kernel: ManifoldToplevel, inner: Manifold, outer: Manifold, end: End): Manifold {
  const [cavity, shell] = [inner.boundingBox(), outer.boundingBox()]
  const top = end === 'top'
  const cut = inner.slice(top ? cavity.max[2] - 0.5 : cavity.min[2] + 0.5)
  const { min, max } = cut.bounds()
  cut.delete()
  const [from, to] = top
    ? [cavity.max[2] - 1, shell.max[2] + 1]
    : [shell.min[2] - 1, cavity.min[2] + 1]
  const radius = (fillBore * mm) / 2
  const cylinder = kernel.Manifold.cylinder(to - from, radius, radius, 48)
  const placed = cylinder.translate([(min[0] + max[0]) / 2, (min[1] + max[1]) / 2, from])
  cylinder.delete()
  return placed
}

/** The outline of a solid at its widest as a plate around the parting, half below, half above. */
function slab(
  kernel: ManifoldToplevel,
  solid: Manifold,
  widest: number,
  z: number,
  thickness: number,
): Manifold {
  const cut = solid.slice(widest)
  const plate = kernel.Manifold.extrude(cut, 2 * thickness)
  cut.delete()
  const placed = plate.translate([0, 0, z - thickness])
  plate.delete()
  return placed
}

/** Gate and vents as cylinders from inside the cavity up through the shell. */
function bores(
  kernel: ManifoldToplevel,
  openings: readonly Pick<MouldOpening, 'what' | 'at' | 'bore'>[],
  up: Vec3,
  outer: Manifold,
  inner: Manifold,
): Manifold {
  const axes = axesFor(up)
  const { max } = outer.boundingBox()
  const { min } = inner.boundingBox()
  const middle = (inner.boundingBox().max[2] + min[2]) / 2
  const cylinders = openings.map(({ at, bore }) => {
    const [x, y, z] = toAxes(axes, at as Vec3).map((v) => v * mm)
    const from = Math.max(z, middle)
    const cylinder = kernel.Manifold.cylinder(
      max[2] + 1 - from,
      (bore * mm) / 2,
      (bore * mm) / 2,
      48,
    )
    const placed = cylinder.translate([x, y, from])
    cylinder.delete()
    return placed
  })
  const all = kernel.Manifold.union(cylinders)
  cylinders.forEach((cylinder) => cylinder.delete())
  return all
}

/** Four truncated cones on the flange, between its edge and the shell. */
function keyCones(
  kernel: ManifoldToplevel,
  brim: Manifold,
  outer: Manifold,
  widest: number,
  z: number,
  size: number,
  scale: number,
): Manifold {
  const [edge, wall] = [brim.slice(widest), outer.slice(widest)]
  const [b, w] = [edge.bounds(), wall.bounds()]
  edge.delete()
  wall.delete()
  const places: [number, number][] = [
    [(b.max[0] + w.max[0]) / 2, (w.max[1] + w.min[1]) / 2],
    [(b.min[0] + w.min[0]) / 2, (w.max[1] + w.min[1]) / 2],
    [(w.max[0] + w.min[0]) / 2, (b.max[1] + w.max[1]) / 2],
    [(w.max[0] + w.min[0]) / 2, (b.min[1] + w.min[1]) / 2],
  ]
  const cones = places.map(([x, y]) => {
    const cone = kernel.Manifold.cylinder(size * 0.45, (size / 2) * scale, (size / 3) * scale, 32)
    // A little below the level, so that it is one body with the half it stands on.
    const placed = cone.translate([x, y, z - 0.02])
    cone.delete()
    return placed
  })
  const all = kernel.Manifold.union(cones)
  cones.forEach((cone) => cone.delete())
  return all
}
