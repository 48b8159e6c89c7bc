<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton } from 'element-plus'
import { bodyMatter, recipeLines, seenOfDoses } from '@mivro/core/matter/colour'
import { partsOnShelf, type Tint, type TintRecipe } from '@mivro/core/matter/material'
import { displayStep } from '@mivro/core/matter/mix'
import { show } from '@mivro/core/base/units'
import { sayThinned } from '@mivro/words/colour'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QuantityField from '../ui/QuantityField.vue'
import { recipeCard } from '../ui/recipeCard.ts'
import { download, fileName } from '../ui/download.ts'

/** A recipe weighed out for so much resin, and what it looks like. */
const props = defineProps<{ recipe: TintRecipe }>()
const shelf = useShelf()
const studio = useStudio()
const { problems, trying } = useProblems()

/** The scale that recipes are weighed on, kg. */
const step = 1e-5
const resin = ref(0.1)
const doses = computed(() =>
  partsOnShelf(props.recipe.parts, shelf.stored).found.map(({ material, fraction }) => ({
    material: shelf.materials.get(material) as Tint,
    fraction,
  })),
)
const lines = computed(() => recipeLines(doses.value, step, resin.value))
const body = bodyMatter({ class: 'coating epoxy' })
const expected = computed(() => seenOfDoses(body, doses.value, props.recipe.depth))
const mass = (kg: number) => show(kg, 'mass', studio.units, { step: displayStep(kg, step) })
const save = () =>
  trying(async () => {
    const { name, depth, colour } = props.recipe
    const card = await recipeCard(
      { name, colour, depth, lines: lines.value, step, into: resin.value, resin: 'clear resin' },
      studio.units,
    )
    download(`${fileName(name)}-recipe.pdf`, card, 'application/pdf')
  })
</script>

<template>
  <section class="use stack-8" aria-label="Weighed out">
    <h2>Weighed out</h2>
    <QuantityField
      label="Resin, both parts"
      kind="mass"
      :value="resin"
      :take="(kg) => void (resin = kg)"
    />
    <p v-for="line in lines" :key="line.name" class="row">
      <span>{{ line.name }}</span>
      <b class="num">{{ mass(line.mass) }}</b>
    </p>
    <p
      v-for="line in lines.filter(({ thinned }) => thinned)"
      :key="`${line.name}-stock`"
      class="small quiet"
    >
      {{ line.name }}: or {{ sayThinned(line.thinned!, mass) }}.
    </p>
    <div class="pair halves">
      <figure>
        <i :style="{ background: recipe.colour }" />
        <figcaption class="small quiet">How it came out</figcaption>
      </figure>
      <figure>
        <i :style="{ background: expected }" />
        <figcaption class="small quiet">Expected in clear resin</figcaption>
      </figure>
    </div>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <ElButton class="save start" :disabled="lines.length === 0" @click="save"
      >Save recipe card</ElButton
    >
  </section>
</template>

<style scoped>
.pair figure {
  margin: 0;
}

.pair i {
  display: block;
  height: 56px;
  border: 1px solid var(--shade);
  border-radius: var(--r-field);
}
</style>
