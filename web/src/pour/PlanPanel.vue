<script setup lang="ts">
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import { ElButton, ElTable, ElTableColumn } from 'element-plus'
import { blocks, cautionsAt, safetyFor } from '@mivro/core/base/caution'
import { displayStep } from '@mivro/core/matter/mix'
import { castsWanted, isHollow, mixesFor, type Plan } from '@mivro/core/work/plan'
import { show } from '@mivro/core/base/units'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import type { Choice } from '../ui/choices.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import CountField from '../ui/CountField.vue'
import { newRun, usualWay } from '@mivro/core/work/run'
import { api, newId } from '../api/client.ts'
import { fieldsOf } from '../ui/fields.ts'
import SelectField from '../ui/SelectField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import SegmentField from '../ui/SegmentField.vue'
import { sayTakenOff } from '../ui/takenOff.ts'
import GettingOut from './GettingOut.vue'
import RoomFields from './RoomFields.vue'
import { useFixes } from './useFixes.ts'
import TextField from '../ui/TextField.vue'

const project = useProject()
const studio = useStudio()
const plan = computed(() => project.plan!)
const compiled = computed(() => project.compiled!)

const router = useRouter()
/** A run that begins with this piece. */
const planRun = () =>
  trying(async () => {
    const { id, document } = project.piece!
    const newest = project.pours.at(-1)?.id === project.pour!.id
    const made = await api.add('runs', newId(), {
      ...newRun(document.name),
      room: plan.value.room,
      pours: [
        {
          id: newId(),
          piece: id,
          casts: castsWanted(plan.value, project.mould),
          ...(!newest && { plan: project.pour!.id }),
        },
      ],
      way: usualWay({
        mould: into.value?.mould ?? plan.value.mould,
        pot: studio.studio.pot !== undefined,
        hollow: isHollow(plan.value),
      }),
    })
    await router.push({ name: 'run', params: { run: made.id } })
  })
const change = (values: Partial<Plan>) => project.changePlan({ ...plan.value, ...values })
/** What is known of the shape bears on every weight. */
const ofShape = computed(() => project.survey?.cautions ?? [])
const whole = computed(() =>
  compiled.value.cautions.filter(
    (c) =>
      c.place.layer === undefined &&
      !['humidity', 'copies', 'postCure'].includes(c.place.field ?? ''),
  ),
)
const fixes = useFixes()
const atCopies = computed(() => cautionsAt(compiled.value.cautions, { field: 'copies' }))
const into = computed(() => compiled.value.into)
/** The casts that are wanted in all, where the mould's wish says it. */
const order = computed(() => {
  const wanted = castsWanted(plan.value, project.mould)
  if (wanted === plan.value.copies) return ''
  const mixes = mixesFor(wanted, plan.value.copies)
  return `${wanted} are wanted in all: ${mixes} ${mixes === 1 ? 'mix' : 'mixes'} like this.`
})
const inLayers = computed(() =>
  compiled.value.cautions.filter((c) => c.place.layer !== undefined && blocks(c)),
)
const demoulding = computed(() =>
  safetyFor(
    'demould',
    compiled.value.layers.flatMap((layer) => layer.hazards),
  ),
)
const pours = computed(() =>
  project.pours.map(({ id, document }) => ({
    value: id,
    label: id === project.pour!.id ? plan.value.name : document.name,
  })),
)

const { problems, trying } = useProblems()
const remove = () =>
  trying(async () => {
    const { name } = plan.value
    const id = await project.removePour()
    sayTakenOff(name, () =>
      trying(async () => {
        await api.restore('plans', id)
        await project.open(project.piece!.id, id)
      }),
    )
  })

const moulds: Choice<Plan['mould']>[] = [
  {
    value: 'open',
    label: 'Open',
    hint: 'The back is open to the air; what is poured first is the face',
  },
  { value: 'closed', label: 'Closed', hint: 'Filled through a gate' },
]
const { field, choice } = fieldsOf(() => plan.value, change)
</script>

<template>
  <div v-if="project.pours.length > 1" class="pours">
    <SelectField
      label="Pours of this piece"
      :options="pours"
      :value="project.pour!.id"
      @choose="project.open(project.piece!.id, $event)"
    />
    <RemoveButton :label="`Delete ${plan.name}`" @click="remove" />
  </div>
  <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
  <TextField bare heading label="Name of the pour" v-bind="field('name')" />
  <SegmentField
    v-if="into.mouldBy === 'plan'"
    label="Mould"
    :options="moulds"
    v-bind="choice('mould')"
  />
  <p v-else class="row">
    <span class="field-label">Mould</span>
    <span>
      {{ into.mould === 'open' ? 'Open' : 'Closed' }},
      <RouterLink :to="{ name: 'mould', params: { id: project.piece!.id, topic: 'kind' } }"
        >as its mould is</RouterLink
      >
    </span>
  </p>
  <CountField label="Copies in this mix" v-bind="field('copies')" />
  <p v-if="order" class="row quiet small">{{ order }}</p>
  <ElButton class="run start" @click="planRun">Plan a run of it</ElButton>
  <CautionNotes :of="atCopies" :fixes="fixes" />
  <ElTable v-if="compiled.needs.length > 0" :data="compiled.needs" table-layout="auto">
    <ElTableColumn min-width="40" prop="name" label="Materials needed" />
    <ElTableColumn v-slot="{ row }" min-width="40" label="in all" align="right" class-name="num">
      {{ show(row.mass, 'mass', studio.units, { step: displayStep(row.mass, plan.scaleStep) }) }}
    </ElTableColumn>
  </ElTable>

  <QuantityField label="Room" kind="temperature" v-bind="field('room')" />
  <RoomFields :take="change" />
  <QuantityField
    v-if="into.gateBy === 'plan'"
    label="Sprue of each copy"
    kind="volume"
    v-bind="field('gate')"
  />
  <p v-else class="row">
    <span class="field-label">Sprue of each copy</span>
    <span>
      <b class="num">{{ show(into.gate, 'volume', studio.units) }}</b>,
      <RouterLink :to="{ name: 'mould', params: { id: project.piece!.id, topic: 'air' } }"
        >by the mould</RouterLink
      >
    </span>
  </p>
  <QuantityField label="Reserve for cups and tools" kind="fraction" v-bind="field('reserve')" />
  <QuantityField
    label="Scale resolution"
    kind="mass"
    of-scale
    :step="plan.scaleStep"
    v-bind="field('scaleStep')"
  />

  <CautionNotes :of="[...inLayers, ...ofShape, ...whole]" :fixes="fixes" />

  <template v-if="compiled.needs.length > 0">
    <SafetyLines before="Before you demould" :lines="demoulding" with-deferring />
    <GettingOut :change="change" />
  </template>
  <TextField
    label="Notes"
    :lines="2"
    v-bind="field('note')"
    placeholder="What this pour should show"
  />
</template>

<style scoped>
.pours {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px;
}
</style>
