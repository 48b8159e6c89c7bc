import type { Vec3 } from '../../form/mesh/index.ts'
import { conditioningOf, withCondition, type Mould } from '../../mould/index.ts'
import type { Plan } from '../../work/plan/index.ts'
import type { ChangeName } from '../../work/pull/index.ts'
import type { Run } from '../../work/run/index.ts'

/** What of a piece can be changed. */
export interface Changeable {
  plan?: Plan
  mould?: Mould
  run?: Run
}

/** A tilt that lets a film of air run off (common practice, no source). */
export const usualTilt = (12 * Math.PI) / 180
/** A vent that lets air out and is cleaned in a minute, m (common practice, no source). */
const ventBore = 0.0015
/** A dose is moved by so much at once. */
const doseStep = 1.5
const warmer = 4

/**
 * What one change makes of plan, mould or run; only what changed is answered, nothing where it
 * can't be done by changing one of them. `at` in the axes of the piece, m.
 *
 * @example changed('under pressure', { run: newRun('x') }, 'c').run!.way // 'pressure'
 */
export function changed(
  what: ChangeName,
  { plan, mould, run }: Changeable,
  id: string,
  at?: Vec3,
): Changeable | undefined {
  switch (what) {
    case 'vent here':
      if (!mould || !at) return undefined
      return {
        mould: {
          ...mould,
          openings: [
            ...mould.openings,
            { id, what: 'vent', at: [...at], bore: ventBore, made: 'cut later' },
          ],
        },
      }
    case 'prefill here':
      if (!mould || !at) return undefined
      return { mould: { ...mould, prefills: [...mould.prefills, { id, at: [...at] }] } }
    case 'tilt':
      return plan && { plan: { ...plan, up: leant(plan.up as Vec3, usualTilt) } }
    case 'turn over':
      return plan && { plan: { ...plan, up: plan.up.map((x) => -x) as Plan['up'] } }
    case 'fewer moulds a mix':
      return run && { run: { ...run, perMix: Math.max(1, (run.perMix ?? 3) - 1) } }
    case 'under pressure':
      return run && { run: { ...run, way: run.way === 'vacuum' ? 'both' : 'pressure' } }
    case 'vacuum':
      return run && { run: { ...run, way: run.way === 'pressure' ? 'both' : 'vacuum' } }
    case 'second pair of hands':
      return run && run.hands < 2 ? { run: { ...run, hands: 2 } } : undefined
    case 'finer scale':
      return plan && { plan: { ...plan, scaleStep: plan.scaleStep / 10 } }
    case 'less tint':
      return plan && { plan: dosed(plan, 1 / doseStep) }
    case 'more tint':
      return plan && { plan: dosed(plan, doseStep) }
    case 'warmer room':
      return plan && { plan: { ...plan, room: plan.room + warmer } }
    case 'more bands':
      return (
        mould && { mould: { ...mould, liking: { ...mould.liking, bands: mould.liking.bands + 2 } } }
      )
    case 'no powder':
      return mould && { mould: { ...mould, liking: { ...mould.liking, dust: 'none' } } }
    case 'no release':
      return mould && { mould: { ...mould, liking: { ...mould.liking, release: 'none' } } }
    case 'wipe it first': {
      const wiped = mould && conditioningOf(mould).some((line) => line.what === 'wipe')
      return mould && !wiped ? { mould: { ...mould, ...withCondition(mould, 'wipe') } } : undefined
    }
    case 'mould again':
    case 'later pour':
    case 'by hand':
      return undefined
  }
}

const dosed = (plan: Plan, by: number): Plan => ({
  ...plan,
  layers: plan.layers.map((layer) => ({
    ...layer,
    tints: layer.tints.map((tint) => ({ ...tint, fraction: tint.fraction * by })),
  })),
})

/** A way up that leans so much further from where it is, about the axis that it stands on least. */
function leant(up: Vec3, angle: number): [number, number, number] {
  const length = Math.hypot(...up)
  const n: Vec3 = [up[0] / length, up[1] / length, up[2] / length]
  const axis: Vec3 = Math.abs(n[0]) < 0.9 ? [1, 0, 0] : [0, 1, 0]
  const along = axis.map((x, i) => x - n[i] * (n[0] * axis[0] + n[1] * axis[1] + n[2] * axis[2]))
  const long = Math.hypot(...along)
  return n.map((x, i) => x * Math.cos(angle) + (along[i] / long) * Math.sin(angle)) as [
    number,
    number,
    number,
  ]
}
