import type {
  Caution,
  CautionAmounts,
  CautionCode,
  FixAmounts,
  FixCode,
} from '../base/caution/index.ts'
import type { CompiledMould } from './compiled.ts'
import { pullsOfCoats } from './kind/kinds.ts'
import type { Mould } from './mould.ts'

/** One click that takes away what a caution about a mould is about. */
export interface MouldFix<F extends FixCode = FixCode> {
  fix: F
  amounts: FixAmounts[F]
  change: Partial<Mould>
}

type Finder<C extends CautionCode> = (
  amounts: CautionAmounts[C],
  mould: Mould,
  compiled: CompiledMould,
  place: string,
) => (MouldFix | undefined)[]

const fix = <F extends FixCode>(
  code: F,
  amounts: FixAmounts[F],
  change: Partial<Mould>,
): MouldFix<F> => ({ fix: code, amounts, change })

/** The narrowest gate that thick resin runs through, m (common practice, no source). */
const usableGate = 0.003

const widened = (mould: Mould, place: string, bore: number): MouldFix =>
  fix(
    'widen-gate',
    { bore },
    {
      openings: mould.openings.map((one) =>
        place === `openings.${one.id}` ? { ...one, bore } : one,
      ),
    },
  )

const tighter = (mould: Mould) =>
  fix('box-by-outline', {}, { box: { ...mould.box, shape: 'outline', own: undefined } })

const finders: { [C in CautionCode]?: Finder<C> } = {
  'silicone-short': ({ chunks, line, tight }, mould, { box }) => [
    chunks === null
      ? undefined
      : fix('fill-chunks', { volume: chunks }, { filler: mould.filler + chunks }),
    line === null || !box
      ? undefined
      : fix('lower-line', { line }, { box: lowered(mould.box, line, box.height, box.over) }),
    tight === null ? undefined : tighter(mould),
  ],
  'box-large': (_, mould) => [tighter(mould)],
  'box-thin': ({ wanted }, mould) =>
    mould.box.own
      ? []
      : [fix('widen-box', { side: wanted }, { box: { ...mould.box, side: wanted } })],
  'batches-part': ({ cup }) => (cup === null ? [] : [fix('larger-cup', { cup }, { cup })]),
  'coats-few': ({ coats, copies }) => {
    let wanted = coats
    while (wanted < 8 && pullsOfCoats(wanted) < copies) wanted++
    return wanted > coats ? [fix('more-coats', { coats: wanted }, { coats: wanted })] : []
  },
  'shell-thin': ({ least }) => [fix('thicker-shell', { wall: least }, { shellWall: least })],
  'gate-narrow': (_, mould, __, place) => [widened(mould, place, usableGate)],
  'inclusion-over-gate': ({ needs }, mould, _, place) => [widened(mould, place, needs)],
}

/** The same box filled less high. */
const lowered = (box: Mould['box'], line: number, height: number, over: number): Mould['box'] =>
  box.own
    ? { ...box, own: { ...box.own, height: line } }
    : { ...box, over: Math.max(0, over - (height - line)) }

/**
 * What one click can do about a caution of a mould: what would be changed, ready to be kept.
 *
 * @example mouldFixesOf(caution('box-large', 'note', {}, { saved: 1e-5 }), mouldOf80x60x40, compiledMould)[0].change.box.shape // 'outline'
 */
export function mouldFixesOf(
  { code, amounts, place }: Caution,
  mould: Mould,
  compiled: CompiledMould,
): MouldFix[] {
  const find = finders[code] as Finder<CautionCode> | undefined
  return (find?.(amounts, mould, compiled, place.field ?? '') ?? []).filter(
    (one) => one !== undefined,
  )
}
