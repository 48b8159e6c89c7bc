import type { Calibration } from '../calibrate/calibrate.ts'
import { followCup, type CupState } from '../calibrate/cup.ts'
import type { Batch } from '../cureTimes.ts'
import type { Thickening } from '../flow/drift.ts'
import { viscosityAt } from '../kinetics/index.ts'
import { followColumn } from './column.ts'
import { afterCup, columnOf, patience } from './poured.ts'

/** Even steps of √α over which it is told; smooth in √α. */
const panels = 240

const mean = (values: Float64Array) => values.reduce((sum, value) => sum + value, 0) / values.length

/**
 * How thick one layer is from mixed to gelled, by its own temperature and degree of cure: in its cup
 * until it is poured, then the mean of its column, its own warmth and the mould's included. The
 * times end when its clock says that it gels, `gel` s after mixing.
 *
 * @example layerThickening(calibrate(resin), batch, 7200).time.at(-1) // 7200
 */
export function layerThickening(
  { law }: Pick<Calibration, 'law'>,
  batch: Batch,
  gel: number,
): Thickening {
  const { resin, room, mass, materialTemperature: start = room } = batch
  const inCup = batch.inCup ?? resin.mixTime
  const states: CupState[] = []
  followCup(law, { mass, room, start }, (now) => now.time < inCup && states.push(now) > 0)
  const poured = afterCup(law, { mass, room, start }, inCup)
  let last = { at: inCup, top: poured.alpha }
  // The layer's top decides when it gels, as on its clock.
  let gelled = patience
  followColumn(columnOf(law, batch, poured), ({ time, alpha, temperature }) => {
    const at = inCup + time
    states.push({ time: at, alpha: mean(alpha), temperature: mean(temperature) })
    const top = alpha[alpha.length - 1]
    const done = top >= law.rheology.gel
    if (done) {
      const share = top > last.top ? (law.rheology.gel - last.top) / (top - last.top) : 1
      gelled = last.at + Math.max(0, share) * (at - last.at)
    }
    last = { at, top }
    return !done && at < patience
  })
  return told(law, states, gelled, gel)
}

/** What was followed, in even steps of √α up to its end, run so that this falls on the clock's gel. */
function told(
  { rheology }: Calibration['law'],
  states: readonly CupState[],
  gelled: number,
  gel: number,
): Thickening {
  const time = new Float64Array(panels + 1)
  const viscosity = new Float64Array(panels)
  const end = Math.min(rheology.gel, stateAt(states, (state) => state.time, gelled).alpha)
  const step = Math.sqrt(end) / panels
  for (let i = 0; i < panels; i++) {
    const next = stateAt(states, ({ alpha }) => alpha, ((i + 1) * step) ** 2)
    time[i + 1] = Math.max(time[i], (Math.min(next.time, gelled) * gel) / gelled)
    const alpha = ((i + 0.5) * step) ** 2
    const middle = stateAt(states, (state) => state.alpha, alpha)
    viscosity[i] = viscosityAt(rheology, alpha, middle.temperature)
  }
  // Where its body gels before its top, nothing moves from then on; its clock still ends with the top.
  time[panels] = gel
  return { time, viscosity }
}

/** Between two states that were followed, where what rises passes `value`. */
function stateAt(
  states: readonly CupState[],
  rising: (state: CupState) => number,
  value: number,
): CupState {
  let i = 1
  while (i < states.length - 1 && rising(states[i]) < value) i++
  const [a, b] = [states[i - 1], states[i] ?? states[i - 1]]
  const over = rising(b) - rising(a)
  const share = over > 0 ? Math.min(1, Math.max(0, (value - rising(a)) / over)) : 0
  const between = (from: number, to: number) => from + share * (to - from)
  return {
    time: between(a.time, b.time),
    alpha: between(a.alpha, b.alpha),
    temperature: between(a.temperature, b.temperature),
  }
}
