import { shallowRef, watch } from 'vue'
import type { Batch } from '@mivro/core/cure'
import type { Resin } from '@mivro/core/material'
import { compile } from '@mivro/core/plan'
import { listNewest } from '../api/sessions.ts'
import { askSurvey } from '../work/pool.ts'
import { useShelf } from '../project/shelfStore.ts'

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

/** Where a resin of the shelf is poured: a usual layer first, then layers of real plans. */
export function useUses(resin: () => { id: string; document: Resin } | undefined) {
  const shelf = useShelf()
  const uses = shallowRef<Use[]>([bench])
  watch(
    () => resin()?.id,
    async (id) => {
      uses.value = [bench]
      if (!id) return
      const found: Use[] = []
      const plans = await listNewest('plans', { naming: id })
      const using = plans
        .filter(({ document }) => document.layers.some((layer) => layer.resin === id))
        .slice(0, mostPlans)
      const pieces = await listNewest('pieces', { ids: using.map(({ parent }) => parent!) })
      for (const { document: plan, parent } of using) {
        const piece = pieces.find((one) => one.id === parent)
        if (!piece) continue
        const question = { form: piece.document.form, up: plan.up, turn: 0 }
        const survey = await askSurvey(question, { on: 'back' }).catch(() => undefined)
        if (!survey || resin()?.id !== id) continue
        const compiled = compile(plan, survey.curve, shelf.materials, { girth: survey.girth })
        for (const layer of compiled.layers) {
          if (!layer.batch || plan.layers[layer.index].resin !== id) continue
          const batch = { ...layer.batch, of: undefined }
          found.push({ label: `${piece.document.name}, ${layer.name}`, batch })
        }
        uses.value = [...found, bench]
      }
    },
    { immediate: true },
  )
  return uses
}
