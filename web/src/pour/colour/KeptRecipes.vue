<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton, ElOption, ElSelect, ElTable, ElTableColumn } from 'element-plus'
import { recipeFor, recipeLines, type RecipeLine } from '@mivro/core/matter/colour'
import { partsOnShelf, type Resin, type Tint } from '@mivro/core/matter/material'
import { displayStep, resinIn } from '@mivro/core/matter/mix'
import type { CompiledLayer, TintShare } from '@mivro/core/work/plan'
import { show } from '@mivro/core/base/units'
import { sayThinned } from '@mivro/words/colour'
import { useProject } from '../../project/projectStore.ts'
import { useShelf } from '../../project/shelfStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { download, fileName } from '../../ui/download.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import { useProblems } from '../../ui/problems.ts'
import { recipeCard } from '../../ui/recipeCard.ts'

/** The doses of a layer as a recipe: for 100 g and for this mix, kept, used again, and as a card. */
const props = defineProps<{
  layer: CompiledLayer
  resin: Resin
  /** What is seen of it over white. */
  colour: string
  doses: readonly { material: Tint; id: string; fraction: number }[]
  take: (tints: TintShare[]) => void
}>()
const project = useProject()
const shelf = useShelf()
const studio = useStudio()
const { problems, trying } = useProblems()

const step = computed(() => project.plan!.scaleStep)
const mix = computed(() => (props.layer.weighing ? resinIn(props.layer.weighing) : undefined))
const lines = computed(() => recipeLines(props.doses, step.value))
const mixLines = computed(() =>
  mix.value === undefined ? undefined : recipeLines(props.doses, step.value, mix.value),
)
const mass = (kg: number) => show(kg, 'mass', studio.units, { step: displayStep(kg, step.value) })
const rows = computed(() =>
  lines.value.map((line, i) => {
    const whole = mixLines.value?.[i]
    return {
      name: line.name,
      hundred: mass(line.mass),
      mix: whole && mass(whole.mass),
      stock: whole && stock(whole),
    }
  }),
)
const stock = ({ thinned }: RecipeLine) => thinned && `or ${sayThinned(thinned, mass)}`

const name = computed(() => `${project.piece!.document.name}, ${props.layer.name}`)
const saveCard = () =>
  trying(async () => {
    const { depth } = props.layer
    const card = await recipeCard(
      {
        name: name.value,
        resin: props.resin.name,
        colour: props.colour,
        depth,
        lines: lines.value,
        step: step.value,
      },
      studio.units,
    )
    download(`${fileName(name.value)}-recipe.pdf`, card, 'application/pdf')
  })

/** What was kept of these doses last. */
const keptAs = ref<{ id: string; of: string }>()
const now = computed(() => JSON.stringify(props.doses.map(({ id, fraction }) => [id, fraction])))
const keepIt = () =>
  trying(async () => {
    const id = await shelf.add({
      kind: 'recipe',
      name: name.value,
      parts: props.doses.map(({ id, material, fraction }) => ({
        material: id,
        name: material.name,
        fraction,
      })),
      colour: props.colour,
      depth: Math.min(0.2, Math.max(1e-4, props.layer.depth)),
      note: '',
    })
    keptAs.value = { id, of: now.value }
  })

const recipes = computed(() =>
  shelf.stored.flatMap(({ id, document }) =>
    document.kind === 'recipe' ? [{ id, recipe: document }] : [],
  ),
)
const missing = ref<string[]>([])
function useIt(id: string): void {
  const found = recipes.value.find((one) => one.id === id)
  if (!found) return
  const parts = partsOnShelf(found.recipe.parts, shelf.stored)
  missing.value = parts.missing
  props.take(parts.found)
}
</script>

<template>
  <section v-if="doses.length > 0 || recipes.length > 0" class="recipe" aria-label="Recipe">
    <h3>Recipe</h3>
    <ElTable v-if="rows.length > 0" :data="rows" table-layout="auto">
      <ElTableColumn v-slot="{ row }" label="Tint">
        {{ row.name }}
        <p v-if="row.stock" class="small quiet">{{ row.stock }}</p>
      </ElTableColumn>
      <ElTableColumn
        v-slot="{ row }"
        :label="`per ${show(recipeFor, 'mass', studio.units, { step: 1e-3 })}`"
        align="right"
      >
        {{ row.hundred }}
      </ElTableColumn>
      <ElTableColumn
        v-if="mix !== undefined"
        v-slot="{ row }"
        :label="`in this mix, ${show(mix, 'mass', studio.units, { step: 1e-3 })}`"
        align="right"
      >
        <b>{{ row.mix }}</b>
      </ElTableColumn>
    </ElTable>
    <div class="wrap">
      <ElButton v-if="lines.length > 0" size="small" :disabled="keptAs?.of === now" @click="keepIt">
        Save recipe
      </ElButton>
      <ElButton v-if="lines.length > 0" size="small" @click="saveCard">Save recipe card</ElButton>
      <ElSelect
        v-if="recipes.length > 0"
        :persistent="false"
        class="kept"
        size="small"
        aria-label="Use a recipe"
        placeholder="Use a recipe"
        :model-value="undefined"
        @update:model-value="useIt"
      >
        <ElOption v-for="one in recipes" :key="one.id" :value="one.id" :label="one.recipe.name">
          <i class="" :style="{ background: one.recipe.colour }" />{{ one.recipe.name }}
        </ElOption>
      </ElSelect>
    </div>
    <p v-if="keptAs?.of === now" class="small quiet" role="status">
      Kept among your materials:
      <RouterLink :to="{ name: 'shelf', params: { material: keptAs.id } }">{{ name }}</RouterLink>
    </p>
    <p v-if="missing.length > 0" class="small quiet" role="status">
      Not among your tints, so left out: {{ missing.join(', ') }}.
    </p>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
  </section>
</template>

<style scoped>
.recipe {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

h3 {
  font-size: var(--size-lead);
}

.kept {
  width: 130px;
}
</style>
