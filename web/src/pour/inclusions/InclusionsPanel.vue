<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { cautionsAt } from '@mivro/core/base/caution'
import { Shuffle } from 'lucide-vue-next'
import {
  holders,
  layingList,
  patterns,
  placementTemplate,
  spreads,
  type Holder,
  type PlanInclusion,
  type SeenAs,
  type Spread,
} from '@mivro/core/matter/inclusion'
import { withLayer, type CompiledLayer } from '@mivro/core/work/plan'
import { show, showDuration } from '@mivro/core/base/units'
import { holderWords, patternWords, saySettling, spreadWords } from '@mivro/words/inclusion'
import { checkLineWords } from '@mivro/words/template'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import CautionNotes from '../../ui/CautionNotes.vue'
import { download, fileName } from '../../ui/download.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import { useProblems } from '../../ui/problems.ts'
import QuantityField from '../../ui/QuantityField.vue'
import SelectField from '../../ui/SelectField.vue'
import { templatePdf } from '../../ui/templatePdf.ts'
import InclusionList from '../InclusionList.vue'
import { useFixes } from '../useFixes.ts'
import ChosenThing from './ChosenThing.vue'
import { layingPdf } from './layingPdf.ts'
import { useSetThings } from './useSetThings.ts'

/** What is set into one layer: how it is laid out, and what becomes of it until the gel. */
const props = defineProps<{ layer: CompiledLayer; count: number }>()
const project = useProject()
const studio = useStudio()
const fixes = useFixes()
const { problems, trying } = useProblems()
const { own, outline, cautions: laid, held, change, lay, remove } = useSetThings(() => props.layer)

const source = computed(() => project.plan!.layers[props.layer.index])
const take = (inclusions: PlanInclusion[]) =>
  project.changePlan(withLayer(project.plan!, props.layer.index, { inclusions }))
const cautions = computed(() => [
  ...cautionsAt(project.compiled!.cautions, { layer: props.layer.id, field: 'inclusions' }),
  ...laid.value,
])

const options = <T extends string>(all: readonly T[], words: Record<T, string>) =>
  all.map((value) => ({ value, label: words[value] }))
const layouts = options(patterns, patternWords)
const none = '-'
const heights = [{ value: none, label: 'All at one height' }, ...options(spreads, spreadWords)]
const holds = [{ value: none, label: 'Nothing' }, ...options(holders, holderWords)]
const chosenOf = <T extends string>(value: string) => (value === none ? undefined : (value as T))

/** Another number, another layout; what was laid by hand is laid out anew too. */
const shuffle = (one: PlanInclusion) =>
  change(one.id, { seed: (one.seed ?? 1) + 1, places: undefined })

const title = computed(() => `${project.piece!.document.name}, ${source.value.name}`)
const name = computed(() =>
  fileName(`${project.piece!.document.name} ${source.value.name} template`),
)
const template = (seen: SeenAs) =>
  placementTemplate(outline.value?.loops ?? [], own.value, {
    seen,
    check: checkLineWords,
    levels: outline.value?.levels,
  })
const saveSvg = () => download(`${name.value}.svg`, template('from above'), 'image/svg+xml')
const suffix = (seen: SeenAs) => (seen === 'mirrored' ? '-mirrored' : '')
const savePdf = (seen: SeenAs) =>
  trying(async () =>
    download(
      `${name.value}${suffix(seen)}.pdf`,
      await templatePdf([template(seen)], `${title.value}, ${seen}`),
      'application/pdf',
    ),
  )
const saveList = () =>
  trying(async () => {
    const names = new Map(own.value.map((one) => [one.id, one.name]))
    const list = layingList(own.value, props.layer.bottom, 'from above')
    download(
      `${name.value.replace(/template$/, 'laying-out')}.pdf`,
      await layingPdf(title.value, list, names, studio.units),
      'application/pdf',
    )
  })
</script>

<template>
  <div class="row">
    <h2>{{ source.name }}</h2>
    <span class="quiet small">{{ layer.index + 1 }} of {{ count }}</span>
  </div>
  <ChosenThing
    v-if="held"
    :key="`${held.thing.id}-${held.i}`"
    :thing="held.thing"
    :place="held.place"
    :at="held.i"
    :take="lay"
    @remove="remove"
  />
  <InclusionList :key="`${layer.id}-set`" :inclusions="source.inclusions" :take="take" />
  <CautionNotes :of="cautions" :fixes="fixes" />

  <section v-for="(one, i) in source.inclusions" :key="one.id" class="thing" :aria-label="one.name">
    <h3>{{ one.name }}</h3>
    <SelectField
      label="Layout"
      :options="layouts"
      :value="one.pattern ?? 'even'"
      @choose="change(one.id, { pattern: $event, places: undefined })"
    />
    <SelectField
      label="Through the depth"
      :options="heights"
      :value="one.spread ?? none"
      @choose="change(one.id, { spread: chosenOf<Spread>($event), places: undefined })"
    />
    <QuantityField
      :key="`${one.id}-lift`"
      label="Above the layer's floor"
      kind="length"
      optional
      placeholder="where it rests"
      :value="one.lift"
      :take="(lift) => change(one.id, { lift })"
    />
    <QuantityField
      :key="`${one.id}-smallest`"
      label="Smallest, of the largest"
      kind="fraction"
      optional
      placeholder="all of one size"
      :value="one.smallest"
      :take="(smallest) => change(one.id, { smallest })"
    />
    <SelectField
      label="Held by"
      :options="holds"
      :value="one.held ?? none"
      @choose="change(one.id, { held: chosenOf<Holder>($event) })"
    />
    <p v-if="layer.setIn[i]?.settling" class="small quiet">
      {{
        saySettling(layer.setIn[i].settling, layer.depth, studio.units, layer.setIn[i].when?.how)
      }}
    </p>
    <div class="actions">
      <ElButton size="small" @click="shuffle(one)">
        <Shuffle :size="13" aria-hidden="true" />Another layout
      </ElButton>
      <span v-if="one.places?.length" class="small quiet">laid by hand</span>
    </div>
  </section>

  <section v-if="own.length > 0" class="thing" aria-label="Placement template">
    <h3>Placement template</h3>
    <p class="small quiet">
      Every thing at true size in the outline of the layer where it is widest, dashed at the height
      of the things, to lay under a clear mould or beside it; the list names each in the order of
      the template.
    </p>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <div class="actions">
      <ElButton size="small" @click="savePdf('from above')">Save PDF</ElButton>
      <ElButton size="small" @click="savePdf('mirrored')">Save mirrored PDF</ElButton>
      <ElButton size="small" @click="saveSvg">Save SVG</ElButton>
      <ElButton size="small" @click="saveList">Save laying-out list</ElButton>
    </div>
  </section>
  <p v-if="layer.clock && layer.setIn.length > 0" class="small quiet">
    {{ source.name }} is mixed at {{ show(project.plan!.room, 'temperature', studio.units) }} and
    gels {{ showDuration(layer.clock.gelAt - layer.clock.mixAt) }} later.
  </p>
</template>

<style scoped>
.thing {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

h3 {
  font-size: var(--size-lead);
}

.actions {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px;
  padding-top: 4px;
}

.actions :deep(.el-button) {
  margin: 0;
}
</style>
