<script setup lang="ts">
import { computed, shallowRef } from 'vue'
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
  type Pull,
} from '@mivro/core/pull'
import { faultCauses, outcomeWords } from '@mivro/words/pull'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { figure, show, unitSymbol } from '@mivro/core/units'
import type { Session } from '../api/session.ts'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CountField from '../ui/CountField.vue'
import FieldRow from '../ui/FieldRow.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'
import { isoFormat, momentFormat } from '../ui/dates.ts'

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
const causes = computed(() =>
  pull.value.faults.map((fault) => ({ fault, cause: faultCauses[fault] })),
)
const step = computed(() => project.plan?.scaleStep ?? 1e-4)
const fine = (planned: number) => displayStep(planned, step.value)
</script>

<template>
  <section class="panel form" aria-label="The pull">
    <h2>Pull {{ number }}</h2>
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
        <dl v-if="causes.length > 0" class="causes">
          <div v-for="{ fault, cause } in causes" :key="fault">
            <dt>{{ fault }}</dt>
            <dd>{{ cause }}</dd>
          </div>
          <p class="quiet small">Usual causes, common practice.</p>
        </dl>
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

.causes {
  padding: 10px 12px;
  border-radius: var(--r-field);
  background: var(--table);
  border: 1px solid var(--line-2);
  font-size: var(--size-small);
}

.causes div {
  display: grid;
  grid-template-columns: 130px 1fr;
  gap: 8px;
  padding: 2px 0;
}

.causes dt {
  font-weight: 600;
}
</style>
