import type { Calibration } from '../calibrate/calibrate.ts'
import { runCup } from '../calibrate/cup.ts'
import type { Resin } from '../../material/index.ts'
import type { Batch, CureTimes } from '../cureTimes.ts'
import { sheetCure, trimFrom } from '../sheetCure.ts'
import { followColumn } from './column.ts'
import { layerThickening } from './layerThickening.ts'
import { afterCup, columnOf, patience } from './poured.ts'

/** What is poured on less than this share of the gel runs into the layer below (from memory). */
const bleeding = 0.8

/**
 * How a batch ripens by the model of the cure: the pot life in its cup, the rest in its layer.
 * The layer's top decides what a next layer meets, its slowest part, along the cool wall, when
 * it can come out: but only once demoulds of one's own were seen. Until then the sheet's time rules,
 * moved to the room; what comes out at a third of it warps.
 * Estimates: the peak is right to about −25 and +30 % of its rise.
 *
 * @example modelCure(calibrate(resin), batch).pourable // 2700 (s in the cup: the sheet's pot life of 100 g)
 */
export function modelCure({ law, joinUntil }: Calibration, batch: Batch): CureTimes {
  const { resin, room, mass, materialTemperature = room } = batch
  const inCup = batch.inCup ?? resin.mixTime
  const cup = runCup(law, { mass, room, start: materialTemperature, longest: patience })
  const poured = afterCup(law, { mass, room, start: materialTemperature }, inCup)
  const { gel } = law.rheology
  const marks = {
    bleedsUntil: bleeding * gel,
    gel,
    joinUntil: Math.max(joinUntil, gel),
  }
  const top = new Marks(marks, inCup)
  const trim = gel + trimFrom * (law.demould - gel)
  const slowest = new Marks({ trim, demould: law.demould }, inCup)
  const peak = { temperature: poured.temperature, at: inCup }
  followColumn(columnOf(law, batch, poured), ({ time, alpha, edge, temperature }) => {
    const at = inCup + time
    top.see(at, alpha[alpha.length - 1])
    slowest.see(at, Math.min(...alpha, ...edge))
    const hottest = Math.max(...temperature)
    if (hottest > peak.temperature) Object.assign(peak, { temperature: hottest, at })
    return !(top.done && slowest.done) && at < patience
  })
  const seen = { ...top.times, ...slowest.times }
  const ordered = (time: number | undefined, after: number) => Math.max(time ?? patience, after)
  const gelled = ordered(seen.gel, inCup)
  const pourable = batch.pourEnd === 'thick' ? cup.syrup : cup.doubled
  const hard = ordered(seen.demould, gelled)
  // What never gets hard here does not by its sheet either.
  const bySheet = !hasOwnDemould(resin) && hard < patience
  const demould = bySheet ? Math.max(sheetCure(batch).demould, gelled) : hard
  return {
    pourable: Math.min(pourable, patience),
    bleedsUntil: Math.min(ordered(seen.bleedsUntil, 0), gelled),
    gel: gelled,
    joinUntil: ordered(seen.joinUntil, gelled),
    trim: Math.min(ordered(seen.trim, gelled), demould),
    demould,
    peak,
    cupPeak: { temperature: cup.peak, at: cup.peakAt },
    thickening: batch.withThickening ? layerThickening({ law }, batch, gelled) : undefined,
    basis: { pourable: 'model', gel: 'model', join: 'model', demould: bySheet ? 'sheet' : 'model' },
  }
}

/**
 * Whether a person's own casts told when they came out.
 *
 * @example hasOwnDemould({ observations: [] }) // false
 */
export const hasOwnDemould = ({ observations = [] }: Pick<Resin, 'observations'>): boolean =>
  observations.some(({ what, leftOut }) => what === 'demould' && !leftOut)

/** When a rising degree of cure passes each of some marks, between two looks. */
class Marks<K extends string> {
  readonly times: Partial<Record<K, number>> = {}
  #last: { at: number; alpha: number } | undefined
  readonly #marks: [K, number][]

  constructor(marks: Record<K, number>, start: number) {
    this.#marks = Object.entries(marks) as [K, number][]
    this.#last = { at: start, alpha: -1 }
  }

  get done(): boolean {
    return this.#marks.every(([name]) => this.times[name] !== undefined)
  }

  see(at: number, alpha: number): void {
    const last = this.#last!
    for (const [name, mark] of this.#marks) {
      if (this.times[name] !== undefined || alpha < mark) continue
      const share = last.alpha < 0 ? 1 : (mark - last.alpha) / (alpha - last.alpha)
      this.times[name] = last.at + share * (at - last.at)
    }
    this.#last = { at, alpha }
  }
}
