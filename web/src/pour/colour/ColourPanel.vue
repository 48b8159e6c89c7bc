<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ElButton, ElColorPicker, ElSlider } from 'element-plus'
import {
  bodyMatter,
  doseAt,
  even,
  hexOf,
  linearOf,
  lowestSeen,
  matterOf,
  placeOf,
  recipeFor,
  recipeLines,
  sliderEnd,
  type SolvedRecipe,
} from '@mivro/core/colour'
import { seenOver, withLayer, type CompiledLayer, type TintShare } from '@mivro/core/plan'
import { displayStep } from '@mivro/core/mix'
import { show } from '@mivro/core/units'
import { sayNearness } from '@mivro/words/colour'
import { useProject } from '../../project/projectStore.ts'
import { useShelf } from '../../project/shelfStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CautionNote from '../../ui/CautionNote.vue'
import FieldRow from '../../ui/FieldRow.vue'
import ProblemNote from '../../ui/ProblemNote.vue'
import { useProblems } from '../../ui/problems.ts'
import { askTints } from '../../work/pool.ts'
import { download, fileName } from '../../ui/download.ts'
import { recipeCard } from './recipeCard.ts'
import TintList from '../TintList.vue'
import { useFixes } from '../useFixes.ts'

/** The tints of one layer by eye: doses dragged, the chip beside them, and doses for a wish. */
const props = defineProps<{ layer: CompiledLayer; count: number }>()
const project = useProject()
const shelf = useShelf()
const studio = useStudio()
const fixes = useFixes()
const { problems, trying } = useProblems()

const source = computed(() => project.plan!.layers[props.layer.index])
const resin = computed(() => {
  const found = shelf.materials.get(source.value.resin ?? '')
  return found?.kind === 'resin' ? found : undefined
})
const body = computed(() => resin.value && bodyMatter(resin.value))
/** Doses of dyes are small: a tenth of a hundredth of a percent is seen. */
const share = (fraction: number) =>
  show(fraction, 'fraction', studio.units, { step: fraction < 0.001 ? 1e-5 : 1e-4 })

const chips = computed(() => {
  const { matter, depth } = props.layer
  if (!matter) return []
  return [
    { ground: 'over white', colour: seenOver(matter, depth, 1) },
    { ground: 'over black', colour: seenOver(matter, depth, 0) },
  ]
})
const dosed = computed(() =>
  source.value.tints.flatMap(({ material, fraction }, i) => {
    const tint = shelf.materials.get(material)
    if (tint?.kind !== 'tint') return []
    const seenFrom = body.value && lowestSeen(tint, body.value, props.layer.depth)
    return [{ i, tint, fraction, place: placeOf(fraction, tint.limit), seenFrom }]
  }),
)

const withTints = (tints: TintShare[]) => withLayer(project.plan!, props.layer.index, { tints })
const take = (tints: TintShare[]) => project.changePlan(withTints(tints))
const redosed = (i: number, place: number, limit: number) =>
  source.value.tints.with(i, { ...source.value.tints[i], fraction: doseAt(place, limit) })
/** While it is dragged a dose is only shown; let go, it is kept. */
const drag = (i: number, place: number, limit: number) =>
  (project.planPreview = withTints(redosed(i, place, limit)))
const drop = (i: number, place: number, limit: number) => take(redosed(i, place, limit))

const cautions = computed(() =>
  project
    .compiled!.cautions.filter(
      ({ place }) => place.layer === props.layer.id && place.field === 'tint',
    )
    .map((caution) => ({ caution, fixes: fixes(caution) })),
)

const wished = ref<string | null>(null)
const found = shallowRef<SolvedRecipe>()
watch(
  () => props.layer.id,
  () => (found.value = undefined),
)
const find = (colour: string) =>
  trying(async () => {
    const wish = {
      colour: linearOf(colour),
      body: body.value!,
      depth: props.layer.depth,
      ground: even(1),
    }
    const onHand = shelf.stored.flatMap(({ id, document }) =>
      document.kind === 'tint' ? [{ id, matter: matterOf(document), limit: document.limit }] : [],
    )
    found.value = await askTints({ wish, onHand })
  })
async function wish(colour: string | null): Promise<void> {
  wished.value = colour
  found.value = undefined
  if (colour && body.value) await find(colour)
}
const recipe = computed(() =>
  found.value?.doses.map(({ id, dose }) => ({
    name: shelf.materials.get(id)?.name ?? '',
    dose: share(dose),
  })),
)
const lines = computed(() =>
  recipeLines(
    dosed.value.map(({ tint, fraction }) => ({ material: tint, fraction })),
    project.plan!.scaleStep,
  ),
)
const mass = (kg: number) =>
  show(kg, 'mass', studio.units, { step: displayStep(kg, project.plan!.scaleStep) })
const saveCard = () =>
  trying(async () => {
    const name = `${project.piece!.document.name}, ${source.value.name}`
    const card = await recipeCard(
      {
        name,
        resin: resin.value!.name,
        colour: chips.value[0].colour,
        depth: props.layer.depth,
        lines: lines.value,
        step: project.plan!.scaleStep,
      },
      studio.units,
    )
    download(`${fileName(name)}-recipe.pdf`, card, 'application/pdf')
  })
function useRecipe(): void {
  take(
    found.value!.doses.map(({ id, dose }) => ({
      material: id,
      fraction: Number(dose.toPrecision(3)),
    })),
  )
  found.value = undefined
}
</script>

<template>
  <div class="row">
    <h2>{{ source.name }}</h2>
    <span class="quiet small">{{ layer.index + 1 }} of {{ count }}</span>
  </div>

  <div v-if="chips.length > 0" class="chips">
    <figure v-for="chip in chips" :key="chip.ground">
      <i :style="{ background: chip.colour }" />
      <figcaption class="small quiet">
        {{ show(layer.depth, 'length', studio.units) }} deep, {{ chip.ground }}
      </figcaption>
    </figure>
  </div>
  <p v-else class="quiet">Choose a resin for this layer, and its colour shows here.</p>

  <TintList :key="`${layer.id}-tints`" :tints="source.tints" :take="take" />
  <div v-for="one in dosed" :key="one.tint.name" class="dose">
    <ElSlider
      :model-value="one.place"
      :max="sliderEnd"
      :show-tooltip="false"
      :aria-label="`Dose of ${one.tint.name}`"
      :format-value-text="() => share(one.fraction)"
      @input="drag(one.i, Number($event), one.tint.limit)"
      @change="drop(one.i, Number($event), one.tint.limit)"
    />
    <p class="small quiet">
      <template v-if="one.seenFrom !== undefined">
        {{ one.tint.name }} shows from {{ share(one.seenFrom) }} here;
      </template>
      <template v-else>{{ one.tint.name }} hardly shows so thin;</template>
      most {{ share(one.tint.limit) }}.
      <template v-if="!one.tint.swatches?.length">Estimated until a chip is cast.</template>
    </p>
  </div>
  <CautionNote
    v-for="one in cautions"
    :key="one.caution.code"
    :caution="one.caution"
    :fixes="one.fixes"
  />

  <section v-if="lines.length > 0 && body" class="wish" aria-label="Recipe">
    <h3>Recipe for {{ mass(recipeFor) }} of resin</h3>
    <p v-for="line in lines" :key="line.name" class="row">
      <span>{{ line.name }}</span><b class="num">{{ mass(line.mass) }}</b>
    </p>
    <ElButton size="small" class="apply" @click="saveCard">Save recipe card</ElButton>
  </section>
  <section v-if="body" class="wish" aria-label="Doses for a colour">
    <h3>Doses for a colour</h3>
    <FieldRow label="Wished colour, over white">
      <ElColorPicker
        :model-value="wished"
        aria-label="Wished colour"
        @update:model-value="wish($event)"
      />
    </FieldRow>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <template v-if="found && recipe && wished">
      <div class="pair">
        <i :style="{ background: wished }" />
        <i :style="{ background: hexOf(found.colour) }" />
        <p class="small">{{ sayNearness(found.off) }}</p>
      </div>
      <p v-for="one in recipe" :key="one.name" class="row">
        <span>{{ one.name }}</span><b class="num">{{ one.dose }}</b>
      </p>
      <p v-if="recipe.length === 0" class="quiet">No tint: the resin alone comes nearest.</p>
      <ElButton type="primary" class="apply" @click="useRecipe">Use these doses</ElButton>
    </template>
  </section>
</template>

<style scoped>
.chips {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 10px;
}

.chips figure {
  margin: 0;
}

.chips i {
  display: block;
  height: 62px;
  border: 1px solid var(--shade);
  border-radius: var(--r-field);
}

.dose {
  padding: 0 8px;
}

.wish {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

h3 {
  font-size: var(--size-lead);
}

.pair {
  display: grid;
  grid-template-columns: 36px 36px minmax(0, 1fr);
  align-items: center;
}

.pair i {
  height: 36px;
}

.pair p {
  padding-left: 10px;
}

.apply {
  align-self: flex-start;
}
</style>
