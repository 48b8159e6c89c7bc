import { recipeFor, type RecipeLine } from '@mivro/core/matter/colour'
import { displayStep } from '@mivro/core/matter/mix'
import { show, type UnitChoice } from '@mivro/core/base/units'
import { sayThinned } from '@mivro/words/colour'
import { makePdf } from './pdf.ts'

/** What stands on a recipe card. */
export interface Recipe {
  name: string
  resin: string
  /** The layer over white, as `#rrggbb`, and how deep it is, m. */
  colour: string
  depth: number
  lines: readonly RecipeLine[]
  /** Of the scale, kg. */
  step: number
  /** Written for so much resin, kg; 100 g unless said. */
  into?: number
}

/** A card to keep beside the bottles, A6 across. */
export function recipeCard(recipe: Recipe, units: UnitChoice): Promise<Blob> {
  const mass = (kg: number) => show(kg, 'mass', units, { step: displayStep(kg, recipe.step) })
  return makePdf({
    pageSize: 'A6',
    pageOrientation: 'landscape',
    pageMargins: 24,
    info: { title: recipe.name },
    content: [
      { text: recipe.name, bold: true, fontSize: 15 },
      {
        text: `Into ${mass(recipe.into ?? recipeFor)} of ${recipe.resin}, weighed before the second part`,
        margin: [0, 2, 0, 10],
      },
      {
        table: {
          widths: ['*', 'auto', 'auto'],
          body: [
            ['Tint', { text: 'Weight', alignment: 'right' }, { text: 'Share', alignment: 'right' }],
            ...recipe.lines.map(({ name, mass: kg, fraction, thinned }) => [
              thinned ? `${name} (or ${sayThinned(thinned, mass)})` : name,
              { text: mass(kg), alignment: 'right' as const, bold: true },
              {
                text: show(fraction, 'fraction', units),
                alignment: 'right' as const,
              },
            ]),
          ],
        },
        layout: 'lightHorizontalLines',
      },
      {
        columns: [
          {
            width: 90,
            canvas: [{ type: 'rect', x: 0, y: 0, w: 80, h: 50, r: 4, color: recipe.colour }],
          },
          `Estimated colour, ${show(recipe.depth, 'length', units)} deep over white.`,
        ],
        margin: [0, 14, 0, 0],
      },
    ],
  })
}
