import { compile } from '@mivro/core/work/plan'
import { readForm, type Form } from '@mivro/core/form/piece'
import { readDocument } from '@mivro/core/base/document'
import { newPull, pullSchema, type Pull } from '@mivro/core/work/pull'
import { fillCurve } from '@mivro/core/form/filling'
import { writeStl } from '@mivro/core/form/mesh'
import { usualVessel, type Pot } from '@mivro/core/matter/air'
import { newStudio } from '@mivro/core/studio'
import type { Transaction } from '../db/connect.ts'
import { DocumentStore } from '../document/store.ts'
import type { DocumentTypeName } from '@mivro/core/studio'
import { MeshStore } from '../mesh/store.ts'
import { solidKernel } from './solidKernel.ts'
import { materials } from './materials.ts'
import { astronomer } from './astronomer.ts'
import { meteorite } from './meteorite.ts'
import { moulds } from './moulds.ts'
import { runs } from './runs.ts'
import type { DemoPull } from './demoPull.ts'
import { pieces, poursOf, type DemoPiece } from './pieces.ts'

/** A small pot that a tank of air fills quickly. */
const pot: Pot = {
  marked: 413_685,
  gauge: 2.8e5,
  diameter: 0.24,
  height: 0.26,
  flow: 0.2 / 60,
  lid: 25,
}

/** Made one second apart, so that lists keep this order. */
const madeAt = (order: number) => new Date(Date.UTC(2026, 8, 1, 9, 0, order)).toISOString()

/**
 * Puts the demo studio into a store. What of it is there stays as it is; with `deleted` set to
 * 'restored' what was deleted of it comes back.
 */
export async function fillDemo(
  tx: Transaction,
  { deleted = 'left' }: { deleted?: 'left' | 'restored' } = {},
): Promise<void> {
  if (deleted === 'left' && (await isFilled(tx))) return
  let order = 0
  const add = async (
    kind: DocumentTypeName,
    id: string,
    parent: string | null,
    document: unknown,
  ) => {
    const documents = new DocumentStore(tx, kind, madeAt(order++))
    const there = await tx('documents').where({ id, kind }).first('deleted_at as deletedAt')
    const { deletedAt } = there ?? (await documents.add(id, parent, document))
    if (deletedAt !== null && deleted === 'restored') await documents.restore(id)
  }

  await add('studio', 'studio', null, {
    ...newStudio,
    name: 'Perihelion Bench',
    pot,
    vessel: usualVessel,
  })
  for (const [id, material] of Object.entries(materials)) await add('material', id, null, material)
  const files = { meteorite: writeStl(meteorite()), astronomer: writeStl(await astronomer()) }
  for (const demo of pieces) {
    const { form: given } = demo.piece
    let form: Form
    let bytes: Uint8Array | undefined
    if (given === 'meteorite' || given === 'astronomer') {
      bytes = files[given]
      const mesh = await new MeshStore(tx, madeAt(0)).add(bytes)
      form = { from: 'file', mesh, fileName: `${given}.stl`, unit: 'mm' }
    } else form = given
    await add('piece', demo.id, null, { ...demo.piece, form })
    for (const [id, plan] of poursOf(demo)) await add('plan', id, demo.id, plan)
    for (const [index, pull] of demo.pulls.entries()) {
      await add(
        'pull',
        `${demo.id}-pull-${index + 1}`,
        demo.id,
        await pullOf(demo, pull, form, bytes),
      )
    }
  }
  for (const [id, mould] of Object.entries(moulds)) await add('mould', id, null, mould)
  for (const [id, run] of Object.entries(runs)) await add('run', id, null, run)
}

/** What is put in last is there, so all of it is. */
async function isFilled(tx: Transaction): Promise<boolean> {
  const last = Object.keys(runs).at(-1)
  return (await tx('documents').where({ id: last }).first()) !== undefined
}

/** A pull as the plan would have had it, weighed a little off. */
async function pullOf(
  demo: DemoPiece,
  { off, ...rest }: DemoPull,
  form: Form,
  bytes: Uint8Array | undefined,
): Promise<Pull> {
  const curve = fillCurve((await readForm(form, bytes, { kernel: solidKernel })).mesh, demo.plan.up)
  const compiled = compile(demo.plan, curve, new Map(Object.entries(materials)))
  const from = { plan: `${demo.id}-plan`, planRevision: 1, pouredAt: rest.pouredAt }
  const opened = newPull(demo.plan, compiled, from)
  const layers = opened.layers.map((layer) => ({
    ...layer,
    amounts: layer.amounts.map((amount, i) => ({
      ...amount,
      weighed: amount.planned * (i % 2 ? 1 : off),
    })),
  }))
  return readDocument(pullSchema, { ...opened, ...rest, layers })
}
