import { computed, effectScope, onScopeDispose, shallowRef, watch, type EffectScope } from 'vue'
import type { Batch } from '@mivro/core/matter/cure'
import type { Resin } from '@mivro/core/matter/material'
import { listNewest } from '../api/sessions.ts'
import { useDerived } from '../project/useDerived.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'

/** A place where a resin is poured. */
export interface Use {
  label: string
  batch: Omit<Batch, 'resin'>
}

/** A usual layer, where no plan pours it yet. */
const bench: Use = {
  label: '100 g in the cup, 10 mm deep, at 21 °C',
  batch: { room: 294.15, mass: 0.1, depth: 0.01, width: 0.08 },
}

/** Plans that are looked through. */
const mostPlans = 6

/** Where a resin of the shelf is poured: layers of real plans as their stages show them, then a usual layer. */
export function useUses(resin: () => { id: string; document: Resin } | undefined) {
  const shelf = useShelf()
  const studio = useStudio()
  const found = shallowRef<readonly (() => Use[])[]>([])
  let scope: EffectScope | undefined

  async function look(id: string, own: EffectScope): Promise<void> {
    const plans = await listNewest('plans', { naming: id })
    const using = plans
      .filter(({ document }) => document.layers.some((layer) => layer.resin === id))
      .slice(0, mostPlans)
    if (using.length === 0) return
    const [pieces, moulds] = await Promise.all([
      listNewest('pieces', { ids: using.map(({ parent }) => parent!) }),
      listNewest('moulds'),
    ])
    if (scope !== own) return
    found.value = using.flatMap(({ document: plan, parent }) => {
      const piece = pieces.find((one) => one.id === parent)?.document
      if (!piece) return []
      const mould = moulds.find(({ document }) => document.pieces.includes(parent!))?.document
      const documents = () => {
        return { form: piece.form, plan, mould, shelf: shelf.materials, units: studio.units }
      }
      const { shown } = own.run(() => useDerived(documents, { on: 'back' }))!
      return () =>
        (shown.value?.pour?.compiled.layers ?? []).flatMap(({ batch, index, name }): Use[] =>
          batch && plan.layers[index].resin === id
            ? [{ label: `${piece.name}, ${name}`, batch: { ...batch, of: undefined } }]
            : [],
        )
    })
  }

  watch(
    () => resin()?.id,
    async (id) => {
      scope?.stop()
      found.value = []
      if (id === undefined) return
      await look(id, (scope = effectScope(true)))
    },
    { immediate: true },
  )
  onScopeDispose(() => scope?.stop())
  return computed(() => [...found.value.flatMap((uses) => uses()), bench])
}
