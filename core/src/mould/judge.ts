import { caution, type Caution, type CautionAmounts } from '../base/caution/index.ts'
import type { Silicone } from '../matter/material/index.ts'
import { buildBox, type BuiltBox } from './box/box.ts'
import { mostBulge } from './box/load.ts'
import { boxOf } from './box/boxOf.ts'
import type { CompiledMould } from './compiled.ts'
import type { MouldGeometry } from './geometry.ts'
import { mouldKinds, pullsOfCoats } from './kind/kinds.ts'
import { usualClearance, type Mould } from './mould.ts'
import { thinnestShell } from './out/shell.ts'
import type { Cover } from './silicone/cover.ts'
import { packing } from './silicone/room.ts'

/** Less lift than this moves nothing, N: the weight of 5 g. */
const felt = 0.05

/** A master is covered by no less than this, m (common practice, no source: 3 mm for miniatures). */
const leastCover = 0.003

/** What is to be said about a mould before silicone is opened. */
export function judgeMould(
  mould: Mould,
  geometry: MouldGeometry,
  silicone: Silicone | undefined,
  {
    box,
    cover: covers,
    pours,
    uplift: force,
    weightOnTop,
    bulge: give,
    braces: fields,
    pressure,
    room,
  }: Omit<CompiledMould, 'cautions'>,
  density: number,
): Caution[] {
  const found: Caution[] = []
  const facts = mouldKinds[mould.kind]
  if (facts.poured === 'none') return found
  if (!silicone) {
    const at = { field: 'silicone' }
    found.push(
      mould.silicone === undefined
        ? caution('silicone-not-chosen', 'todo', at, {})
        : caution('silicone-gone', 'warn', at, {}),
    )
  }
  if (covers && covers.short > 1e-9 && box) {
    found.push(
      caution(
        'silicone-short',
        'stop',
        { field: 'onHand' },
        shortage(covers, box, mould, geometry, density),
      ),
    )
  }
  for (const { half, batches: split } of silicone ? pours : []) {
    if (!split.eachFits) {
      const amounts = { half, time: split.time, potLife: silicone!.potLife }
      found.push(caution('batch-outlives-pot', 'warn', { field: 'batches' }, amounts))
    } else if (!split.joinFits) {
      const amounts = {
        half,
        batches: split.count,
        gap: split.gap,
        potLife: silicone!.potLife,
        cup: split.fewerBy ?? null,
      }
      found.push(caution('batches-part', 'warn', { field: 'batches' }, amounts))
    } else continue
    break
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
    const tight = hugging(mould, geometry)
    const saved = box.volumeTo(box.height) - tight.volumeTo(tight.height)
    if (
      saved > 0.2 * room.net &&
      mould.box.shape !== 'outline' &&
      !mould.box.own &&
      mould.filler === 0
    ) {
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

/** The box that would follow the outline, with the same clearances. */
const hugging = (mould: Mould, { foot }: MouldGeometry): BuiltBox =>
  buildBox({ ...boxOf(mould), shape: 'outline', own: undefined }, foot)

/** What is missing, and what of this would make it do: chunks, a lower fill line, a tighter box. */
function shortage(
  { short, level, sticksOut }: Cover,
  box: BuiltBox,
  mould: Mould,
  geometry: MouldGeometry,
  density: number,
): CautionAmounts['silicone-short'] {
  const beside = box.volumeTo(box.height) - geometry.volume - mould.filler * packing
  const chunks = short / packing
  const lowest = box.under + geometry.foot.height + leastCover
  const tight = hugging(mould, geometry)
  const saved = box.volumeTo(box.height) - tight.volumeTo(tight.height)
  return {
    missing: short * density * (1 + mould.loss),
    level,
    sticksOut,
    // Chunks fill no more than half of what is free, or no silicone gets around them.
    chunks: chunks * packing < beside / 2 ? chunks : null,
    line: level >= lowest ? level : null,
    tight: saved >= short && mould.box.shape !== 'outline' ? saved : null,
  }
}
