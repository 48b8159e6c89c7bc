import type { Chip } from '@mivro/core/matter/colour'
import type { Tint } from '@mivro/core/matter/material'
import { displayStep } from '@mivro/core/matter/mix'
import { show, type UnitChoice } from '@mivro/core/base/units'
import { token } from '../theme/token.ts'
import { makePdf } from '../ui/pdf.ts'

/** A ladder of chips as a sheet for the bench: what to weigh, and where each chip is laid. */
export function ladderPdf(
  { name }: Tint,
  chips: readonly Chip[],
  { depth, step }: { depth: number; step: number },
  units: UnitChoice,
): Promise<Blob> {
  const mass = (kg: number) => show(kg, 'mass', units, { step: displayStep(kg, step) })
  const box = (colour?: string) => ({
    canvas: [
      { type: 'rect', x: 0, y: 0, w: 110, h: 56, r: 4, color: colour, lineColor: token('edge') },
    ],
  })
  return makePdf({
    pageSize: 'A4',
    pageMargins: 40,
    info: { title: `${name}, ladder` },
    content: [
      { text: `${name}: ladder of ${chips.length} chips`, bold: true, fontSize: 16 },
      {
        text: `Each ${mass(chips[0].resin)} of clear resin, ${show(depth, 'length', units)} deep, over white. Weigh what is little by a stock of 1 in 10.`,
        margin: [0, 4, 0, 14],
      },
      {
        table: {
          widths: [60, 70, 120, 120],
          body: [
            ['Dose', 'Tint', 'Expected', 'Lay the chip here'],
            ...chips.map((chip) => [
              show(chip.dose, 'fraction', units),
              { text: mass(chip.tint), bold: true },
              box(chip.expected),
              box(),
            ]),
          ],
        },
        layout: 'lightHorizontalLines',
      },
    ],
  })
}
