<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton, ElCheckbox, ElCheckboxGroup, ElUpload, type UploadFile } from 'element-plus'
import {
  colourOf,
  outlineOf,
  shapeOf,
  sizeOf,
  thingOfForm,
  thingShapes,
  thingTraits,
  type PlanInclusion,
  type ThingTrait,
} from '@mivro/core/matter/inclusion'
import { clearIndices, clearThingOf, type ClearThing } from '@mivro/core/matter/material'
import type { Problem } from '@mivro/core/base/problem'
import { show } from '@mivro/core/base/units'
import { clearThingWords, thingShapeWords, thingTraitWords } from '@mivro/words/inclusion'
import { useStudio } from '../project/studioStore.ts'
import { fieldsOf } from '../ui/fields.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QuantityField from '../ui/QuantityField.vue'
import SelectField from '../ui/SelectField.vue'
import { readThing, thingFiles } from './readThing.ts'

type Thing = Pick<
  PlanInclusion,
  | 'mass'
  | 'density'
  | 'thickness'
  | 'shape'
  | 'form'
  | 'traits'
  | 'index'
  | 'drinks'
  | 'heatLimit'
  | 'colour'
>

/** What a thing is: its shape, whether light passes it, and what is to be known of it. */
const props = defineProps<{
  thing: Thing
  take: (change: Partial<Thing>) => Problem | undefined
}>()
const studio = useStudio()
const { problems, trying } = useProblems()

const size = computed(() => sizeOf(props.thing))
const outline = computed(() =>
  outlineOf(size.value)
    .map((loop) => `M${loop.map(([x, y]) => `${x.toFixed(3)} ${(-y).toFixed(3)}`).join('L')}Z`)
    .join(''),
)
const shapes = computed(() =>
  thingShapes
    .filter((value) => value !== 'own' || props.thing.form)
    .map((value) => ({ value, label: thingShapeWords[value] })),
)

const opaque = '-'
const clears = computed(() => {
  const { index } = props.thing
  const known = Object.entries(clearThingWords) as [ClearThing, string][]
  return [
    { value: opaque, label: 'No' },
    ...known.map(([value, label]) => ({ value, label })),
    ...(index !== undefined && !clearThingOf(index)
      ? [{ value: 'other', label: `Refractive index ${index}` }]
      : []),
  ]
})
const seenThrough = computed(() =>
  props.thing.index === undefined ? opaque : (clearThingOf(props.thing.index) ?? 'other'),
)
const seeThrough = (what: string) =>
  what !== 'other' &&
  props.take({ index: what === opaque ? undefined : clearIndices[what as ClearThing] })

const reading = ref(false)
const choose = (file: File | undefined) =>
  file &&
  trying(async () => {
    reading.value = true
    try {
      props.take(thingOfForm(await readThing(file), props.thing))
    } finally {
      reading.value = false
    }
  })
const traits = (chosen: unknown) => {
  const all = chosen as ThingTrait[]
  props.take({ traits: all.length > 0 ? all : undefined })
}
const { field } = fieldsOf(() => props.thing, props.take)
</script>

<template>
  <SelectField
    label="Shape"
    :options="shapes"
    :value="shapeOf(thing)"
    @choose="take({ shape: $event })"
  />
  <div class="small quiet line">
    <svg class="outline" width="40" height="40" viewBox="-0.54 -0.54 1.08 1.08" aria-hidden="true">
      <path :d="outline" :fill="colourOf(thing)" fill-rule="evenodd" />
    </svg>
    <p>
      {{ show(size.across, 'length', studio.units) }} wide and
      {{ show(size.thickness, 'length', studio.units) }} thick, by its weight.
    </p>
    <ElUpload
      class="own"
      :auto-upload="false"
      :show-file-list="false"
      :accept="thingFiles"
      :on-change="({ raw }: UploadFile) => choose(raw)"
    >
      <ElButton tag="span" size="small" :loading="reading">Own shape from a file</ElButton>
    </ElUpload>
  </div>
  <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
  <SelectField
    label="Light passes"
    :options="clears"
    :value="seenThrough"
    @choose="seeThrough($event)"
  />
  <QuantityField
    label="Heat limit"
    kind="temperature"
    optional
    placeholder="by what it is"
    v-bind="field('heatLimit')"
  />
  <ElCheckboxGroup
    class="traits"
    aria-label="What is to be known of it"
    :model-value="thing.traits ?? []"
    @update:model-value="traits"
  >
    <ElCheckbox
      v-for="trait in thingTraits"
      :key="trait"
      :value="trait"
      :label="thingTraitWords[trait]"
    />
  </ElCheckboxGroup>
  <QuantityField
    v-if="thing.traits?.includes('porous')"
    label="Drinks, of its volume"
    kind="fraction"
    optional
    placeholder="typical"
    v-bind="field('drinks')"
  />
</template>

<style scoped>
.line {
  display: grid;
  grid-template-columns: 40px minmax(0, 1fr);
  align-items: center;
  gap: 6px 12px;
}

.outline {
  grid-row: 1 / 3;
  align-self: start;
}

.outline path {
  stroke: var(--shade);
  stroke-width: 0.02;
}

.traits {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 0 10px;
}
</style>
