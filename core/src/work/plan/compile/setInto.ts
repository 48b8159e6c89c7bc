import { caution, type Caution } from '../../../base/caution/index.ts'
import type { Thickening } from '../../../matter/cure/index.ts'
import { dabSets, setMoment, settle, unseen } from '../../../matter/inclusion/index.ts'
import type { Resin } from '../../../matter/material/index.ts'
import { mixDensity } from '../../../matter/mix/index.ts'
import type { LayerClock, SetIn } from './compiled.ts'
import type { StackedLayer } from './stack.ts'

/** Things whose density differs from the resin's by less hover, as a share (common practice, no source). */
export const hovering = 0.03

/**
 * Where the things set into a layer lie; without a resin on its floor. What is dabbed lies on the
 * floor whatever it weighs.
 */
export function setInto({ layer }: StackedLayer, resin?: Resin): SetIn[] {
  const liquid = resin ? mixDensity(resin.ratio, resin) : 0
  return layer.inclusions.map(({ density, held }) => ({
    lies: density >= liquid || held === 'dab' ? 'floor' : 'surface',
  }))
}

/** What is known of a layer when things are set into it. */
interface Poured {
  resin?: Resin
  clock?: LayerClock
  below?: LayerClock
  /** Absent until its model has answered. */
  thickening?: Thickening
}

/** The same with what becomes of each while its layer is liquid and when it is set in, once the clock is known. */
export function whenSetIn(
  { layer, bottom }: StackedLayer,
  setIn: readonly SetIn[],
  { resin, clock, below, thickening }: Poured,
): SetIn[] {
  if (!resin || !clock) return [...setIn]
  const { mixAt, pourAt } = clock
  const settling =
    thickening &&
    settle(thickening, mixDensity(resin.ratio, resin), pourAt - mixAt, layer.inclusions)
  return setIn.map((one, i) => {
    const found = settling?.[i]
    const { held, lift = one.lies === 'floor' ? 0 : Infinity, spread } = layer.inclusions[i]
    const when = setMoment({
      held,
      onFloor: lift === 0 && !spread,
      pourAt: clock.pourAt,
      gelAt: clock.gelAt,
      belowGels: bottom > 0 ? below?.gelAt : undefined,
      holdsFrom: found && Math.abs(found.drift) >= unseen ? mixAt + found.holdsFrom : undefined,
    })
    return { ...one, when, settling: found }
  })
}

/** What there is no time for. */
export const judgeSetting = (
  { layer }: StackedLayer,
  setIn: readonly SetIn[],
  over?: { name: string; pourAt: number },
): Caution[] =>
  setIn.flatMap(({ when }, i): Caution[] => {
    const place = { layer: layer.id, field: 'inclusions' }
    const names = { inclusion: layer.inclusions[i].name, layer: layer.name }
    if (when?.how === 'once it holds' && over && over.pourAt < when.from) {
      const amounts = { ...names, over: over.name, early: when.from - over.pourAt }
      return [caution('covered-before-set', 'warn', place, amounts)]
    }
    if (when?.how !== 'dab' || when.until >= when.from) return []
    const amounts = {
      ...names,
      sets: dabSets,
      short: when.from - when.until,
    }
    return [caution('dab-no-time', 'warn', place, amounts)]
  })
