import type { CompiledPlan } from './compile/compiled.ts'
import { usualTurns } from '../../matter/turning/index.ts'
import type { Layer, Plan, ShellFill } from './plan.ts'

/** Neighbouring surfaces are kept this far apart while one is dragged, m. */
const leastDepth = 0.0005

/** Where a layer's surface can go without crossing its neighbours, m. */
export function surfaceRange(compiled: CompiledPlan, index: number): { low: number; high: number } {
  const layer = compiled.layers[index]
  const above = compiled.layers[index + 1]
  const low = Math.min(layer.bottom + leastDepth, compiled.height)
  const high = above ? Math.max(low, above.top - leastDepth) : compiled.height
  return { low, high }
}

/** The plan with a layer's surface at `top`, held between its neighbours. */
export function moveSurface(plan: Plan, compiled: CompiledPlan, index: number, top: number): Plan {
  const { low, high } = surfaceRange(compiled, index)
  return withLayer(plan, index, { fill: { by: 'height', top: Math.min(high, Math.max(low, top)) } })
}

/** The plan with some of a layer's fields replaced. */
export function withLayer(plan: Plan, index: number, change: Partial<Layer>): Plan {
  return {
    ...plan,
    layers: plan.layers.map((layer, i) => (i === index ? { ...layer, ...change } : layer)),
  }
}

/** A small figure has such a wall (common practice, no source). */
export const usualShell: ShellFill = {
  by: 'shell',
  wall: 0.003,
  shots: 2,
  turned: 'hands',
  turns: usualTurns.hands,
}

/** Whether anything of a plan is cast hollow. @example isHollow(plan) // false */
export const isHollow = ({ layers }: Pick<Plan, 'layers'>): boolean =>
  layers.some(({ fill }) => fill.by === 'shell')

/** A wall lands on tenths of a millimetre, and is no thinner than this, m. */
const wallStep = 1e-4
const thinnestShell = 3e-4

/** A wall as a hand sets it, m. @example landedWall(0.00296) // 0.003 */
export const landedWall = (wall: number): number =>
  Math.max(thinnestShell, Math.round(wall / wallStep) * wallStep)

/** The plan with the wall of a layer that is cast hollow, m. */
export function withWall(plan: Plan, index: number, wall: number): Plan {
  const { fill } = plan.layers[index]
  return fill.by === 'shell' ? withLayer(plan, index, { fill: { ...fill, wall } }) : plan
}

/**
 * A layer on top: from where the last one ends up to the rim. Where the last already ends at
 * the rim, that one is split in the middle. It takes the resin of the one below; over a wall it is one too.
 */
export function addLayer(plan: Plan, compiled: CompiledPlan, id: string): Plan {
  const last = compiled.layers[compiled.layers.length - 1]
  const top = compiled.height
  const name = freeName(plan, 'Layer', plan.layers.length + 1)
  const below = plan.layers[plan.layers.length - 1]
  const added: Layer = {
    id,
    name,
    fill: { by: 'height', top },
    resin: below?.resin,
    tints: [],
    inclusions: [],
    join: 'crisp',
  }
  if (below?.fill.by === 'shell') {
    return { ...plan, layers: [...plan.layers, { ...added, fill: below.fill }] }
  }
  if (last && last.top > top - 2 * leastDepth) {
    const lowered = withLayer(plan, plan.layers.length - 1, {
      fill: { by: 'height', top: (last.bottom + top) / 2 },
    })
    return { ...lowered, layers: [...lowered.layers, added] }
  }
  return { ...plan, layers: [...plan.layers, added] }
}

/** Longest name of a layer. */
const longest = 60

/** A name that no layer of a plan has: itself, or with the first number that is free. */
function freeName(plan: Pick<Plan, 'layers'>, wished: string, from?: number): string {
  const names = new Set(plan.layers.map(({ name }) => name))
  const numbered = (n: number) => `${wished.slice(0, longest - 4)} ${n}`
  let n = from ?? 2
  if (from === undefined && !names.has(wished.slice(0, longest))) return wished.slice(0, longest)
  while (names.has(numbered(n))) n++
  return numbered(n)
}

/**
 * One layer poured in two: the lower half is a base, what was set in lies on it, the upper
 * half covers it.
 */
export function splitLayer(plan: Plan, compiled: CompiledPlan, index: number, id: string): Plan {
  const layer = plan.layers[index]
  const { fill } = layer
  const { bottom, top } = compiled.layers[index]
  const halves =
    fill.by === 'shell'
      ? [fill, fill].map((one) => ({ ...one, wall: one.wall / 2 }))
      : [(bottom + top) / 2, top].map((end) => ({ by: 'height', top: end }) as const)
  const base: Layer = {
    ...layer,
    id,
    name: freeName(plan, `${layer.name}, base`),
    fill: halves[0],
    inclusions: [],
  }
  const cover: Layer = { ...layer, fill: halves[1], join: 'crisp' }
  return { ...plan, layers: plan.layers.flatMap((l, i) => (i === index ? [base, cover] : [l])) }
}

/** The plan without a layer; the one above reaches down to where it began. */
export function removeLayer(plan: Plan, index: number): Plan {
  return { ...plan, layers: plan.layers.filter((_, i) => i !== index) }
}
