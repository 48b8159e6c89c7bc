import type { Piece } from '@mivro/core/form/piece'
import type { Material } from '@mivro/core/matter/material'
import type { Mould } from '@mivro/core/mould'
import type { Layer, Plan } from '@mivro/core/work/plan'
import type { Run } from '@mivro/core/work/run'
import { imperial } from '@mivro/core/base/units'
import type { Studio } from '@mivro/core/studio'

interface Documents {
  studios: Studio
  pieces: Piece
  plans: Plan
  moulds: Mould
  materials: Material
  runs: Run
}

/** Changes every document of a kind over the network, as another device would. */
export async function changeAll<P extends keyof Documents>(
  address: string,
  path: P,
  change: (document: Documents[P], at: number) => Documents[P],
): Promise<void> {
  const listed = await fetch(`${address}/api/${path}`)
  const epoch = listed.headers.get('Mivro-Epoch')!
  const { items } = (await listed.json()) as {
    items: { id: string; revision: number; document: Documents[P] }[]
  }
  for (const [at, { id, revision, document }] of items.entries()) {
    const answer = await fetch(`${address}/api/${path}/${id}`, {
      method: 'PUT',
      headers: { 'content-type': 'application/json', 'Mivro-Epoch': epoch },
      body: JSON.stringify({
        basedOn: revision,
        change: 'edited',
        document: change(document, at),
      }),
    })
    if (!answer.ok) throw new Error(`${path}/${id}: ${await answer.text()}`)
  }
}

/** As long as a name may be, with a number after it. */
const long = 'The very long name of a thing that somebody wants to tell from all others'
/** Without a place to break it. */
const unbroken = 'Drachenschuppenanhaengerrohlingsversuchsreihe'
/** Written from the right, not a name at all, and one that a page could take for its own. */
const strange = ['سوار من الراتنج الشفاف', '🙂🙂🙂', '<b>Kelch & Rand</b>', '—']

const layersOf = (plan: Plan, count: number): Layer[] =>
  Array.from({ length: count }, (_, i) => ({
    ...plan.layers[i % plan.layers.length],
    id: `layer-${i}`,
    name: `${long.slice(0, 57)} ${i + 1}`,
    fill:
      i === count - 1 ? plan.layers.at(-1)!.fill : { by: 'height' as const, top: 0.0013 * (i + 1) },
  }))

/** States that no demo is in: each makes one of the demo's own studio. */
export const states: Record<string, (address: string) => Promise<void>> = {
  'inches, long names, six layers in six cups, 400 moulds': async (address) => {
    await changeAll(address, 'studios', (studio) => ({ ...studio, name: long, units: imperial }))
    await changeAll(address, 'pieces', (piece, i) => ({
      ...piece,
      name: i % 2 ? unbroken : long,
      note: `${long} ${unbroken} `.repeat(3),
    }))
    await changeAll(address, 'materials', (material, i) => ({
      ...material,
      name: `${i % 2 ? unbroken : long} ${i}`,
    }))
    await changeAll(address, 'moulds', (mould, i) => ({
      ...mould,
      name: `${long} ${i}`,
      count: 400,
    }))
    await changeAll(address, 'plans', (plan) => ({
      ...plan,
      name: long,
      copies: 400,
      begin: 7 * 3600,
      layers: layersOf(plan, 6).map((layer) => ({ ...layer, cups: 6 })),
    }))
    await changeAll(address, 'runs', (run) => ({
      ...run,
      name: long,
      pours: run.pours.map((pour) => ({ ...pour, casts: 400 })),
    }))
  },
  'no pot, one mould, one layer, strange names': async (address) => {
    await changeAll(address, 'studios', ({ pot: _, vessel: __, ...studio }) => ({
      ...studio,
      name: strange[0],
    }))
    await changeAll(address, 'pieces', (piece, i) => ({ ...piece, name: strange[i % 4], note: '' }))
    await changeAll(address, 'moulds', (mould, i) => ({
      ...mould,
      name: strange[i % 4],
      count: 1,
    }))
    await changeAll(address, 'plans', (plan) => ({
      ...plan,
      name: strange[1],
      layers: [{ ...plan.layers.at(-1)!, name: strange[2] }],
    }))
    await changeAll(address, 'runs', (run) => ({
      ...run,
      name: strange[2],
      way: 'none',
      pours: run.pours.map((pour) => ({ ...pour, casts: 1 })),
    }))
  },
}
