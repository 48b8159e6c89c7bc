import { caution, type Caution } from '../caution/index.ts'
import type { Silicone } from '../material/index.ts'
import { mixDensity } from '../mix/index.ts'
import { problemsOf, type Problem } from '../problem/index.ts'
import { buildBox, type BuiltBox } from './box/box.ts'
import { braces, bulge, mostBulge, uplift, wallPressure } from './box/load.ts'
import { openBlocked, type MouldGeometry } from './geometry.ts'
import { sumsOf, type KindSums } from './kind/cost.ts'
import { adviseKinds, type KindAdvice } from './kind/advise.ts'
import { mouldKindNames, mouldKinds, pullsOfCoats, type MouldKind } from './kind/kinds.ts'
import { usualClearance, type Mould } from './mould.ts'
import { batches, type Batches } from './silicone/batches.ts'
import { cover, type Cover } from './silicone/cover.ts'
import { pricePerMass, siliconeNeed, type SiliconeNeed } from './silicone/need.ts'
import { thinnestShell } from './out/shell.ts'
import { siliconeRoom, type SiliconeRoom } from './silicone/room.ts'

/** Density of silicone where none is chosen, kg/m³, and its price for a kilogram (common practice). */
const usual = { density: 1130, price: 30 }

/** Layers of bandage that make a shell stiff (common practice, no source). */
const bandageLayers = 4

/** Less lift than this moves nothing, N: the weight of 5 g. */
const felt = 0.05

/** More weight on top than the uplift, so that a knock does not free it. */
const safety = 1.5

/** Silicone of one half of a mould. */
export interface HalfNeed {
  half: 'first' | 'second'
  need: SiliconeNeed
}

/** Everything a screen shows of a mould. */
export interface CompiledMould {
  box?: BuiltBox
  boxProblem?: Problem
  room: SiliconeRoom
  need?: SiliconeNeed
  halves: HalfNeed[]
  cover?: Cover
  batches?: Batches
  /** N; and the weight on top that holds the master down, kg. */
  /** Known only when the master was weighed; 0 otherwise. */
  uplift: number
  weightOnTop: number
  /** Bandage for the rigid shell of a brushed mould, m² of all its layers. */
  bandage: number
  bulge: number
  braces: number
  pressure: number
  advice: KindAdvice[]
  cautions: Caution[]
}

/**
 * What a mould comes to: its box, its silicone, whether it covers, what the master and the
 * walls do, and what speaks for each kind.
 */
export function compileMould(
  mould: Mould,
  geometry: MouldGeometry,
  silicone: Silicone | undefined,
  scaleStep: number,
): CompiledMould {
  const built = tryBox(mould, geometry)
  const room = siliconeRoom(mould, built.box, geometry)
  const net = mould.measuredRoom ?? room.net
  const density = silicone ? mixDensity(silicone.ratio, silicone) : usual.density
  const need = silicone && net > 0 ? siliconeNeed(net, silicone, mould, scaleStep) : undefined
  const facts = mouldKinds[mould.kind]
  const block = facts.poured === 'block' ? built.box : undefined
  const covers =
    block && mould.onHand !== undefined
      ? cover(block, geometry.curve, mould.onHand / density / (1 + mould.loss), room.fillers)
      : undefined
  const portion = facts.parts === 2 ? Math.max(room.first, room.second) : net
  const split =
    silicone && portion > 0 ? batches(portion * (1 + mould.loss), mould, silicone) : undefined
  const force =
    mould.masterMass === undefined ? 0 : uplift(geometry.volume, mould.masterMass, density)
  const widest = block ? Math.max(block.width, block.depth) : 0
  const wallHeight = block?.height ?? 0
  const give =
    block && mould.box.shape !== 'round' && mould.box.shape !== 'cup'
      ? bulge(widest, wallHeight, mould.box.wallThickness, mould.box.wall, density)
      : 0
  const compiled: CompiledMould = {
    ...built,
    room,
    need,
    halves: halvesOf(room, silicone, mould, scaleStep, facts.parts),
    cover: covers,
    batches: split,
    uplift: force,
    weightOnTop: Math.max(0, (force * safety) / 9.80665),
    bandage: facts.poured === 'coats' ? geometry.area * bandageLayers : 0,
    bulge: give,
    braces:
      give > mostBulge
        ? braces(widest, wallHeight, mould.box.wallThickness, mould.box.wall, density)
        : 0,
    pressure: wallPressure(wallHeight, density),
    advice: adviseKinds(allSums(mould, geometry, silicone), geometry, mould),
    cautions: [],
  }
  compiled.cautions = judge(mould, geometry, silicone, compiled, density)
  return compiled
}

function tryBox(mould: Mould, geometry: MouldGeometry): { box?: BuiltBox; boxProblem?: Problem } {
  try {
    return { box: buildBox(boxOf(mould), geometry.foot) }
  } catch (error) {
    return { boxProblem: problemsOf(error)[0] }
  }
}

/** The flat back of an open block lies on the floor. */
const boxOf = ({ kind, box }: Pick<Mould, 'kind' | 'box'>) =>
  kind === 'open block'
    ? { ...box, under: 0 }
    : kind === 'turning' && box.shape === 'square'
      ? { ...box, shape: 'round' as const }
      : box

function halvesOf(
  room: SiliconeRoom,
  silicone: Silicone | undefined,
  mould: Mould,
  scaleStep: number,
  parts: 1 | 2,
): HalfNeed[] {
  if (!silicone || parts === 1 || room.second <= 0 || mould.measuredRoom !== undefined) return []
  return [
    { half: 'first', need: siliconeNeed(room.first, silicone, mould, scaleStep) },
    { half: 'second', need: siliconeNeed(room.second, silicone, mould, scaleStep) },
  ]
}

/** What each kind would come to, with the box it would get. */
export function allSums(
  mould: Mould,
  geometry: MouldGeometry,
  silicone: Silicone | undefined,
): KindSums[] {
  const density = silicone ? mixDensity(silicone.ratio, silicone) : usual.density
  const price = (silicone && pricePerMass(silicone)) ?? usual.price
  return mouldKindNames.map((kind: MouldKind) => {
    const as: Mould = { ...mould, kind, measuredRoom: undefined }
    const { box } = tryBox(as, geometry)
    const { net } = siliconeRoom(as, box, geometry)
    const mass = Math.max(0, net) * density * (1 + mould.loss)
    const undercut =
      (mouldKinds[kind].parts === 2
        ? geometry.pulls[0].blocked
        : kind === 'open block'
          ? openBlocked(geometry)
          : 0) / geometry.volume
    return sumsOf(kind, { silicone: mass, price }, as, undercut)
  })
}

function judge(
  mould: Mould,
  geometry: MouldGeometry,
  silicone: Silicone | undefined,
  {
    box,
    cover: covers,
    batches: split,
    uplift: force,
    weightOnTop,
    bulge: give,
    braces: fields,
    pressure,
    room,
    need,
  }: CompiledMould,
  density: number,
): Caution[] {
  const found: Caution[] = []
  const facts = mouldKinds[mould.kind]
  if (facts.poured === 'none') return found
  if (!silicone) {
    const code = mould.silicone === undefined ? 'silicone-not-chosen' : 'silicone-gone'
    found.push(caution(code, 'warn', { field: 'silicone' }, {}))
  }
  if (covers && covers.short > 1e-9) {
    const missing = covers.short * density * (1 + mould.loss)
    const { level, sticksOut } = covers
    found.push(
      caution('silicone-short', 'stop', { field: 'onHand' }, { missing, level, sticksOut }),
    )
    if (silicone && need && mould.onHand! > 0) {
      const amounts = { first: mould.onHand!, second: missing, within: silicone.potLife }
      found.push(caution('silicone-second-batch', 'note', { field: 'onHand' }, amounts))
    }
  }
  if (split && silicone && !split.eachFits) {
    const amounts = { time: split.time, potLife: silicone.potLife }
    found.push(caution('batch-outlives-pot', 'warn', { field: 'batches' }, amounts))
  } else if (split && silicone && !split.joinFits) {
    const amounts = { batches: split.count, potLife: silicone.potLife }
    found.push(caution('batches-part', 'warn', { field: 'batches' }, amounts))
  }
  if (facts.poured === 'block' && mould.masterMass === undefined) {
    const amounts = { mass: geometry.volume * density }
    found.push(caution('master-unweighed', 'note', { field: 'anchor' }, amounts))
  } else if (facts.poured === 'block' && force > felt) {
    const at = { field: 'anchor' }
    if (mould.kind === 'open block') found.push(caution('master-held-down', 'note', at, { force }))
    else found.push(caution('master-floats', 'warn', at, { force, weight: weightOnTop }))
    if (box && box.over > 0) found.push(caution('risen-master', 'note', at, { rise: box.over }))
  }
  if (facts.poured === 'block' && give > mostBulge) {
    found.push(
      caution('wall-bulges', 'warn', { field: 'wall' }, { bulge: give, braces: fields, pressure }),
    )
  }
  if (facts.poured === 'block' && box) {
    const longest = Math.max(geometry.foot.width, geometry.foot.depth, geometry.foot.height)
    const wanted = usualClearance(longest).side
    if (box.clearance < 0.6 * wanted) {
      found.push(
        caution('box-thin', 'warn', { field: 'box' }, { clearance: box.clearance, wanted }),
      )
    }
    const hugging = buildBox({ ...boxOf(mould), shape: 'outline', own: undefined }, geometry.foot)
    const saved = box.volumeTo(box.height) - hugging.volumeTo(hugging.height)
    if (saved > 0.2 * room.net && mould.box.shape !== 'outline' && mould.filler === 0) {
      found.push(caution('box-large', 'note', { field: 'box' }, { saved }))
    }
  }
  if (facts.poured === 'shell' && mould.shellWall < thinnestShell) {
    const amounts = { wall: mould.shellWall, least: thinnestShell }
    found.push(caution('shell-thin', 'stop', { field: 'shellWall' }, amounts))
  }
  if (facts.poured === 'block' && mould.vessel === undefined && mould.pressure === undefined) {
    found.push(caution('dents-under-pressure', 'note', { field: 'vessel' }, {}))
  }
  if (facts.poured === 'coats') {
    const pulls = pullsOfCoats(mould.coats)
    if (pulls < mould.wish.copies) {
      const amounts = { coats: mould.coats, pulls, copies: mould.wish.copies }
      found.push(caution('coats-few', 'warn', { field: 'coats' }, amounts))
    }
  }
  return found
}
