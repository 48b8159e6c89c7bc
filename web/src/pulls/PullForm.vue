<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ElButton, ElDatePicker, ElTable, ElTableColumn } from 'element-plus'
import { readDocument } from '@mivro/core/document'
import { displayStep } from '@mivro/core/mix'
import {
  faultNames,
  outcomes,
  pullSchema,
  ratioErrors,
  type Fault,
  type Outcome,
  type Pin,
  type Pull,
} from '@mivro/core/pull'
import { outcomeWords } from '@mivro/words/pull'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { figure, show, unitSymbol } from '@mivro/core/units'
import type { Vec3 } from '@mivro/core/mesh'
import { newId } from '../api/client.ts'
import { pictureAddress } from '../api/pictures.ts'
import type { Session } from '../api/session.ts'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CountField from '../ui/CountField.vue'
import FieldRow from '../ui/FieldRow.vue'
import PictureButton from '../ui/PictureButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'
import { isoFormat, momentFormat } from '../ui/dates.ts'
import CausesPanel from './CausesPanel.vue'
import CopyResults from './CopyResults.vue'
import EffectLines from './EffectLines.vue'
import PinCut from './PinCut.vue'
import PinRows from './PinRows.vue'
import { useChanges } from './useChanges.ts'
import { usePullFacts } from './usePullFacts.ts'

const props = defineProps<{ session: Session<'pulls'>; number: number }>()
const studio = useStudio()
const project = useProject()
const pull = computed(() => props.session.document)
const dateProblem = shallowRef<Problem>()

function change(values: Partial<Pull>): Problem | undefined {
  try {
    props.session.edit(readDocument(pullSchema, { ...pull.value, ...values }))
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}

function weigh(layer: number, part: number, weighed: number | undefined): Problem | undefined {
  const layers = pull.value.layers.map((l, i) =>
    i === layer
      ? { ...l, amounts: l.amounts.map((a, j) => (j === part ? { ...a, weighed } : a)) }
      : l,
  )
  return change({ layers })
}

/** A row for each layer, then one for each of what was weighed for it. */
interface Row {
  layer: number
  heads?: string
  part?: number
  amount?: Pull['layers'][number]['amounts'][number]
}
const rows = computed(() =>
  pull.value.layers.flatMap(({ name, amounts }, layer): Row[] => [
    { layer, heads: name },
    ...amounts.map((amount, part) => ({ layer, part, amount })),
  ]),
)

const toggle = (fault: Fault) => {
  const had = pull.value.faults.includes(fault)
  change({
    faults: had ? pull.value.faults.filter((f) => f !== fault) : [...pull.value.faults, fault],
  })
}
const errors = computed(() => ratioErrors(pull.value))
/** Under this the ratio is as planned, for any scale. */
const nothing = 5e-4
const ratioWords = (error: number) =>
  Math.abs(error) < nothing
    ? 'ratio as planned'
    : `${show(Math.abs(error), 'fraction')} ${error > 0 ? 'more' : 'less'} A for the B`

const facts = usePullFacts(() => pull.value)
const changes = useChanges(
  () => pull.value,
  (values) => void change(values),
)
watch(
  () => props.session.id,
  () => void changes.load(),
  { immediate: true },
)
const pins = computed(() => pull.value.pins ?? [])
const selected = ref(pins.value[0]?.id)
/** What the causes are told of: the pin that is chosen, else the first fault. */
const chosen = computed(
  () =>
    facts.pointed.value.find(({ pin }) => pin !== undefined && pin.id === selected.value) ??
    facts.pointed.value[0],
)
const taken = computed(() =>
  (pull.value.changes ?? []).flatMap(({ what, fault }) =>
    fault === chosen.value?.fault ? [what] : [],
  ),
)
/** As wide as most are, m. */
const usualSize = 0.002
function addPin(at: Vec3): void {
  const pin: Pin = {
    id: newId(),
    fault: pull.value.faults.at(-1) ?? 'void at a tip',
    at: [...at],
    size: usualSize,
    note: '',
  }
  change({ pins: [...pins.value, pin] })
  selected.value = pin.id
}
const changePin = (id: string, values: Partial<Pin>) =>
  change({
    pins: pins.value.map((pin) => (pin.id === id ? { ...pin, ...values } : pin)),
    // A fault that was pinned as another is no longer one of the cast.
    faults: values.fault ? remaining(id) : pull.value.faults,
  })
const removePin = (id: string) =>
  change({ pins: pins.value.filter((pin) => pin.id !== id), faults: remaining(id) })
/** Faults without the one that only this pin stands for. */
function remaining(id: string): Fault[] {
  const gone = pins.value.find((pin) => pin.id === id)?.fault
  const others = pins.value.some((pin) => pin.id !== id && pin.fault === gone)
  return pull.value.faults.filter((fault) => others || fault !== gone)
}
function pictureOfPin(id: string, picture: { id: string; name: string }): void {
  const pictures = withPicture(picture)
  change({
    pictures,
    pins: pins.value.map((pin) => (pin.id === id ? { ...pin, picture: picture.id } : pin)),
  })
}
const withPicture = (picture: { id: string; name: string }) => [
  ...(pull.value.pictures ?? []).filter(({ id }) => id !== picture.id),
  picture,
]
const addPicture = (picture: { id: string; name: string }) =>
  change({ pictures: withPicture(picture) })
const step = computed(() => project.plan?.scaleStep ?? 1e-4)
const fine = (planned: number) => displayStep(planned, step.value)
</script>

<template>
  <section class="panel form" aria-label="The pull">
    <div class="head">
      <h2>Pull {{ number }}</h2>
      <span v-if="pull.bench" class="quiet small">written at the bench</span>
      <span v-if="pull.trial" class="quiet small"
        >Trial, {{ pull.trial.with === 'yes' ? 'with' : 'without' }}
        {{ pull.trial.difference }}</span
      >
    </div>
    <CopyResults
      v-if="pull.copies > 1 || pull.results?.length"
      :pull="pull"
      :take="(results) => change({ results })"
    />
    <div class="columns">
      <div class="stack">
        <PinCut
          v-if="project.survey && project.compiled"
          :pins="pins"
          :selected="selected"
          @pin="addPin"
          @select="selected = $event"
          @move="(id, at) => changePin(id, { at: [...at] })"
        />
        <PinRows
          :pins="pins"
          :selected="selected"
          :copies="pull.copies"
          :change="changePin"
          :picture="pictureOfPin"
          @select="selected = $event"
          @remove="removePin"
        />
        <div class="pictures">
          <a
            v-for="picture in pull.pictures ?? []"
            :key="picture.id"
            :href="pictureAddress(picture.id, 'whole')"
            target="_blank"
            rel="noopener"
          >
            <img :src="pictureAddress(picture.id, 'small')" :alt="picture.name" />
          </a>
          <PictureButton label="Add a picture" @added="addPicture" />
        </div>
      </div>
      <div class="stack">
        <CausesPanel
          v-if="chosen"
          :pointed="chosen"
          :facts="facts"
          :told="pull.told ?? {}"
          :made="changes.made"
          :taken="taken"
          @tell="(sign, seen) => change({ told: { ...pull.told, [sign]: seen } })"
          @take="(what, cause) => changes.take(what, cause, chosen!)"
        />
        <p v-else class="quiet">
          Pin a fault on the cut, or choose one below, and its causes are ranked here.
        </p>
        <ProblemNote
          v-for="problem in changes.problems.value"
          :key="problem.code"
          :problem="problem"
        />
        <EffectLines />
      </div>
    </div>
    <div class="columns">
      <div class="stack">
        <FieldRow label="Poured" :problem="dateProblem">
          <ElDatePicker
            class="line"
            type="datetime"
            :model-value="pull.pouredAt"
            :format="momentFormat"
            :value-format="isoFormat"
            :clearable="false"
            aria-label="Poured"
            @update:model-value="dateProblem = change({ pouredAt: $event })"
          />
        </FieldRow>
        <CountField label="Copies" :value="pull.copies" :take="(copies) => change({ copies })" />
        <QuantityField
          label="Room"
          kind="temperature"
          :value="pull.room"
          :take="(room) => change({ room: room ?? 0 })"
        />
        <QuantityField
          label="Humidity"
          kind="fraction"
          optional
          placeholder="not measured"
          :value="pull.humidity"
          :take="(humidity) => change({ humidity })"
        />

        <ElTable
          :data="rows"
          table-layout="auto"
          :span-method="
            ({ row, columnIndex }) => (row.heads ? [1, columnIndex === 0 ? 3 : 0] : [1, 1])
          "
        >
          <ElTableColumn v-slot="{ row }" min-width="40" label="What was weighed">
            <template v-if="row.heads">
              <b class="num">{{ row.layer + 1 }} {{ row.heads }}</b>
              <span v-if="errors[row.layer] !== undefined" class="quiet small ratio">{{
                ratioWords(errors[row.layer]!)
              }}</span>
            </template>
            <template v-else>{{ row.amount.name }}</template>
          </ElTableColumn>
          <ElTableColumn
            v-slot="{ row }"
            min-width="40"
            label="planned"
            align="right"
            class-name="num"
          >
            {{
              row.amount &&
              figure(row.amount.planned, 'mass', studio.units, { step: fine(row.amount.planned) })
            }}
          </ElTableColumn>
          <ElTableColumn v-slot="{ row }" min-width="40" label="actual" align="right">
            <QuantityField
              v-if="row.amount"
              bare
              optional
              :label="`${row.amount.name} of ${pull.layers[row.layer].name}, actually weighed`"
              kind="mass"
              :step="fine(row.amount.planned)"
              :placeholder="unitSymbol('mass', studio.units)"
              :value="row.amount.weighed"
              :take="(mass) => weigh(row.layer, row.part, mass)"
            />
          </ElTableColumn>
        </ElTable>
      </div>

      <div class="stack">
        <SegmentField
          v-if="!pull.results?.length"
          above
          label="Result"
          :options="outcomes.map((value) => ({ value, label: outcomeWords[value] }))"
          :value="pull.outcome"
          @choose="change({ outcome: $event as Outcome })"
        />
        <div class="faults" role="group" aria-label="What went wrong">
          <span class="quiet small">What went wrong</span>
          <ElButton
            v-for="fault in faultNames"
            :key="fault"
            round
            plain
            size="small"
            :type="pull.faults.includes(fault) ? 'warning' : undefined"
            :aria-pressed="pull.faults.includes(fault)"
            @click="toggle(fault)"
          >
            {{ fault }}
          </ElButton>
        </div>
        <TextField
          label="Notes"
          :lines="4"
          :value="pull.note"
          placeholder="Colour, joins, where air stayed"
          :take="(note) => change({ note })"
        />
        <TextField
          label="What to change next time"
          :lines="3"
          :value="pull.nextTime"
          placeholder="The next pour of this piece opens with this line"
          :take="(nextTime) => change({ nextTime })"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.form {
  padding: 16px 20px;
  overflow: hidden auto;
}

.columns {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 32px;
  margin-top: 12px;
}

@media (max-width: 1180px) {
  .columns {
    grid-template-columns: 1fr;
  }
}

.ratio {
  margin-left: 8px;
}

.faults {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}

.faults > .quiet {
  flex-basis: 100%;
}

.head {
  display: flex;
  align-items: baseline;
  gap: 12px;
  margin-bottom: 10px;
}

.pictures {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.pictures img {
  display: block;
  width: 96px;
  height: 72px;
  border-radius: var(--r-small);
  object-fit: cover;
}
</style>
