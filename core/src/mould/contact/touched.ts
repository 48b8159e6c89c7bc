import type { Silicone } from '../../matter/material/index.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Box, Mould } from '../mould.ts'
import type { ContactRole, Substance, Surface } from './substances.ts'

/** What each kind of wall is of. */
const wallOf: Record<Box['wall'], Substance> = {
  card: 'card',
  'foam board': 'foam board',
  board: 'wood',
  acrylic: 'hard plastic',
  bricks: 'hard plastic',
  print: 'filament print',
}

const plain = (substance: Substance, finish: Surface['finish'] = 'none'): Surface => ({
  substance,
  finish,
  release: 'none',
  damp: 'dry',
})

/**
 * What the silicone of a mould meets besides its master, derived from the mould: walls, the clay of
 * a bed, glue under the master, chunks of old moulds, rods for gates. Each is what is usual (from
 * memory: sulphur-free clay, hot glue, rods of wax) until the person says otherwise.
 *
 * @example touchedBy(twoPartMould, platinum).map(({ role }) => role) // ['walls', 'clay', 'glue']
 */
export function touchedBy(
  { kind, box, filler, openings, contact }: Mould,
  silicone: Pick<Silicone, 'chemistry'> | undefined,
): { role: ContactRole; surface: Surface }[] {
  const { poured, parts } = mouldKinds[kind]
  if (poured === 'none') return []
  const block = poured === 'block'
  // Boards of moulds are lacquered or covered as a rule, else they would drink.
  const walls = box.wall === 'board' ? plain('wood', 'lacquer') : plain(wallOf[box.wall])
  const usual: [ContactRole, boolean, Surface][] = [
    ['walls', block, walls],
    ['clay', block && parts === 2, plain('sulphur-free clay')],
    ['glue', block, plain('hot glue')],
    ['fillers', filler > 0, plain(`${silicone?.chemistry ?? 'platinum'} silicone`)],
    ['rods', openings.some(({ made }) => made === 'cast in'), plain('wax')],
  ]
  return usual.flatMap(([role, there, surface]) =>
    there ? [{ role, surface: contact.roles[role] ?? surface }] : [],
  )
}
