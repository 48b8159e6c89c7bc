import type { LaidThing } from '@mivro/core/matter/inclusion'
import { show, type UnitChoice } from '@mivro/core/base/units'
import { makePdf } from '../../ui/pdf.ts'

const degrees = (radians: number) => `${Math.round((radians * 180) / Math.PI)}°`

/** Every thing of a layer with its place, in the order of the placement template. */
export function layingPdf(
  title: string,
  list: readonly LaidThing[],
  names: ReadonlyMap<string, string>,
  units: UnitChoice,
): Promise<Blob> {
  const length = (metres: number) => ({
    text: show(metres, 'length', units, { step: 1e-4 }),
    alignment: 'right' as const,
  })
  return makePdf({
    pageSize: 'A4',
    pageMargins: 40,
    info: { title: `${title}, laying-out list` },
    content: [
      { text: `${title}: laying-out list`, bold: true, fontSize: 15 },
      {
        text: 'Seen from above into the mould, counted from the middle of the piece; the numbers are those of the placement template.',
        margin: [0, 4, 0, 12],
      },
      {
        table: {
          headerRows: 1,
          widths: [20, '*', 'auto', 'auto', 'auto', 'auto', 'auto', 'auto', 16],
          body: [
            ['', 'What', 'Wide', 'Right', 'Behind', 'Above floor', 'Turned', 'Tilted', ''],
            ...list.map((one) => [
              { text: String(one.number), bold: true },
              names.get(one.id) ?? '',
              length(one.across),
              length(one.right),
              length(one.away),
              length(one.height),
              { text: degrees(one.turn), alignment: 'right' },
              { text: degrees(one.tilt), alignment: 'right' },
              { canvas: [{ type: 'rect', x: 0, y: 1, w: 9, h: 9, lineWidth: 0.7 }] },
            ]),
          ],
        },
        layout: 'lightHorizontalLines',
      },
    ],
  })
}
