import type { Silicone } from '../matter/material/index.ts'
import { mixDensity } from '../matter/mix/index.ts'
import { problemsOf } from '../base/problem/index.ts'
import { buildBox } from './box/box.ts'
import { boxOf } from './box/boxOf.ts'
import { inARow } from './box/row.ts'
import { braces, bulge, mostBulge, uplift, wallPressure } from './box/load.ts'
import type { CompiledMould, SiliconePour } from './compiled.ts'
import { openShare, shareBlocked, type MouldGeometry } from './geometry.ts'
import { sumsOf, type KindSums, type TurnedCast } from './kind/cost.ts'
import { adviseKinds } from './kind/advise.ts'
import { mouldKindNames, mouldKinds, type MouldKind } from './kind/kinds.ts'
import type { KindLives } from './kind/lives.ts'
import { judgeMould } from './judge.ts'
import { withKind, type Mould } from './mould.ts'
import { batches } from './silicone/batches.ts'
import { cover } from './silicone/cover.ts'
import { kitsFor, pricePerMass, siliconeNeed, type SiliconeNeed } from './silicone/need.ts'
import { thickenerOf } from './silicone/thickener.ts'
import { mayClimb, partingKeys } from './parting/index.ts'
import { siliconeRoom, type SiliconeRoom } from './silicone/room.ts'

/** Density of silicone where none is chosen, kg/m³, and its price for a kilogram (common practice). */
const usual = { density: 1130, price: 30 }

/** Plies of bandage that make a shell stiff, and what overlaps (common practice, no source). */
const plies = 3
const overlap = 1.3

/** More weight on top than the uplift, so that a knock does not free it. */
const safety = 1.5

/**
 * What a mould comes to: its box, its silicone, whether it covers, what the master and the
 * walls do, and what speaks for each kind. Never throws for a mould that its schema accepts: a box
 * that cannot be is answered as `boxProblem`. `lives` of kinds, where own moulds have shown them;
 * `turned`: its casts are hollow.
 *
 * @example compileMould(mouldOf80x60x40, geometryOf60x40x20, platinum, 0.0001).room.net // 0.000144
 */
export function compileMould(
  mould: Mould,
  one: MouldGeometry,
  silicone: Silicone | undefined,
  scaleStep: number,
  lives?: KindLives,
  turned?: TurnedCast,
): CompiledMould {
  const geometry = inARow(one, mould.cavities, mould.box.side)
  const built = tryBox(mould, geometry)
  const room = siliconeRoom(mould, built.box, geometry)
  const net = mould.measuredRoom ?? room.net
  const density = silicone ? mixDensity(silicone.ratio, silicone) : usual.density
  const facts = mouldKinds[mould.kind]
  const block = facts.poured === 'block' ? built.box : undefined
  const covers =
    block && mould.onHand !== undefined
      ? cover(block, geometry.curve, mould.onHand / density / (1 + mould.loss), room.fillers)
      : undefined
  const pours = silicone && net > 0 ? poursOf(room, net, silicone, mould, scaleStep) : []
  const force =
    mould.masterMass === undefined
      ? 0
      : uplift(geometry.volume, mould.masterMass * mould.cavities, density)
  const widest = block ? Math.max(block.width, block.depth) : 0
  const wallHeight = block?.height ?? 0
  const give =
    block && mould.box.shape !== 'round' && mould.box.shape !== 'cup'
      ? bulge(widest, wallHeight, mould.box.wallThickness, mould.box.wall, density)
      : 0
  const need = pours.length > 0 ? together(pours, silicone!) : undefined
  const compiled: CompiledMould = {
    ...built,
    foot: geometry.foot,
    room,
    keys:
      block && mayClimb(mould.kind) ? partingKeys(mould, block, geometry, silicone?.hardness) : [],
    need,
    thickener:
      facts.poured === 'coats' && need ? thickenerOf(need.mass, mould.coats, silicone!) : [],
    pours,
    cover: covers,
    uplift: force,
    weightOnTop: Math.max(0, (force * safety) / 9.80665),
    bandage: facts.poured === 'coats' ? geometry.area * plies * overlap : 0,
    bulge: give,
    braces:
      give > mostBulge
        ? braces(widest, wallHeight, mould.box.wallThickness, mould.box.wall, density)
        : 0,
    pressure: wallPressure(wallHeight, density),
    advice: adviseKinds(allSums(mould, geometry, silicone, lives, turned), geometry, mould, turned),
    cautions: [],
  }
  compiled.cautions = judgeMould(mould, geometry, silicone, compiled, density)
  return compiled
}

function tryBox(mould: Mould, geometry: MouldGeometry): Pick<CompiledMould, 'box' | 'boxProblem'> {
  try {
    return { box: buildBox(boxOf(mould), geometry.foot) }
  } catch (error) {
    return { boxProblem: problemsOf(error)[0] }
  }
}

/** A mould in two halves is poured twice; where its room was measured, the sums share it out. */
function poursOf(
  room: SiliconeRoom,
  net: number,
  silicone: Silicone,
  mould: Mould,
  scaleStep: number,
): SiliconePour[] {
  const pour = (half: SiliconePour['half'], volume: number): SiliconePour => {
    const found = batches(volume * (1 + mould.loss), mould, silicone)
    return {
      half,
      batches: found,
      need: siliconeNeed(volume, silicone, mould, scaleStep, found.count),
    }
  }
  if (room.second <= 0) return [pour('whole', net)]
  const first = (net * room.first) / room.net
  return [pour('first', first), pour('second', net - first)]
}

/** Kits are opened for all of it, not pour by pour. */
function together(pours: readonly SiliconePour[], silicone: Silicone): CompiledMould['need'] {
  const sum = (of: (need: SiliconeNeed) => number) =>
    pours.reduce((all, { need }) => all + of(need), 0)
  const opened = sum((need) => need.opened)
  const price = pricePerMass(silicone)
  return {
    inMould: sum((need) => need.inMould),
    volume: sum((need) => need.volume),
    mass: sum((need) => need.mass),
    opened,
    kits: kitsFor(opened, silicone),
    price: price === undefined ? undefined : opened * price,
  }
}

/** What each kind would come to, with the box it would get. */
export function allSums(
  mould: Mould,
  geometry: MouldGeometry,
  silicone: Silicone | undefined,
  lives?: KindLives,
  turned?: TurnedCast,
): KindSums[] {
  const density = silicone ? mixDensity(silicone.ratio, silicone) : usual.density
  const price = (silicone && pricePerMass(silicone)) ?? usual.price
  return mouldKindNames.map((kind: MouldKind) => {
    const as = kind === mould.kind ? mould : { ...withKind(mould, kind), measuredRoom: undefined }
    const { box } = tryBox(as, geometry)
    const net = as.measuredRoom ?? siliconeRoom(as, box, geometry).net
    const mass = Math.max(0, net) * density * (1 + mould.loss)
    const [pull] = geometry.pulls
    const undercut =
      mouldKinds[kind].parts === 2
        ? shareBlocked(as.climbs && mayClimb(kind) ? pull.inner : pull.blocked, pull.around)
        : kind === 'open block'
          ? openShare(geometry)
          : 0
    return sumsOf(kind, { silicone: mass, price }, as, undercut, { lives, turned })
  })
}
