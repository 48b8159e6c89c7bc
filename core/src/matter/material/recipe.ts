import { z } from '../../base/schema/index.ts'
import { id, note, quantity, text } from '../../base/document/index.ts'
import { colourSchema } from './fields.ts'

/** A tint of a recipe: which of the shelf, its name as it was when it was kept, its share of the resin's weight. */
const recipePartSchema = z.object({
  material: id().optional(),
  name: text('name'),
  fraction: quantity('fraction', 0, 0.95),
})
export type RecipePart = z.infer<typeof recipePartSchema>

/** Tints that gave a colour, kept to be used again. */
export const recipeSchema = z.object({
  kind: z.literal('recipe'),
  name: text('name'),
  parts: z.array(recipePartSchema).max(6),
  /** What it looks like over white, and how deep it then is, m. */
  colour: colourSchema,
  depth: quantity('length', 1e-4, 0.2),
  note: note(),
})
export type TintRecipe = z.infer<typeof recipeSchema>

/** What a shelf holds under an id, as far as a recipe asks. */
interface OnShelf {
  id: string
  document: { kind: string; name: string }
}

const plain = (name: string) => name.trim().replace(/\s+/g, ' ').toLowerCase()

/**
 * A recipe's tints as they stand on this shelf: by their id, else by their name, since a recipe
 * from elsewhere knows only names. What is not there is named.
 *
 * @example partsOnShelf([{ name: 'Violet dye', fraction: 0.001 }], []).missing // ['Violet dye']
 */
export function partsOnShelf(parts: readonly RecipePart[], shelf: readonly OnShelf[]) {
  const tints = shelf.filter(({ document }) => document.kind === 'tint')
  const found: { material: string; fraction: number }[] = []
  const missing: string[] = []
  for (const { material, name, fraction } of parts) {
    const tint =
      tints.find(({ id }) => id === material) ??
      tints.find(({ document }) => plain(document.name) === plain(name))
    if (tint) found.push({ material: tint.id, fraction })
    else missing.push(name)
  }
  return { found, missing }
}
