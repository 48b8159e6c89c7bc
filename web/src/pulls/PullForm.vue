<script setup lang="ts">
import { computed, ref } from 'vue'
import { readDocument } from '@mivro/core/document'
import { displayStep } from '@mivro/core/mix'
import {
  faultNames,
  faults,
  outcomes,
  pullSchema,
  ratioErrors,
  type Fault,
  type Outcome,
  type Pull,
} from '@mivro/core/pull'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { figure, show, unitSymbol } from '@mivro/core/units'
import { sayProblem } from '@mivro/core/caution'
import type { Session } from '../api/session.ts'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CountField from '../ui/CountField.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'
import { fromLocalField, toLocalField } from '../ui/dates.ts'

const props = defineProps<{ session: Session<'pulls'>; number: number }>()
const studio = useStudio()
const project = useProject()
const pull = computed(() => props.session.document)
const dateProblem = ref('')

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

function setDate(value: string): void {
  const pouredAt = fromLocalField(value)
  const problem = pouredAt ? change({ pouredAt }) : undefined
  dateProblem.value = !pouredAt ? 'Give the day and the time.' : problem ? sayProblem(problem) : ''
}

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
const causes = computed(() => pull.value.faults.map((fault) => ({ fault, cause: faults[fault] })))
const labels: Record<Outcome, string> = { good: 'Good', fixable: 'Can be mended', lost: 'Lost' }
const step = computed(() => project.plan?.scaleStep ?? 1e-4)
const fine = (planned: number) => displayStep(planned, step.value)
</script>

<template>
  <section class="panel form" aria-label="The pull">
    <h2>Pull {{ number }}</h2>
    <div class="columns">
      <div class="stack">
        <div class="when">
          <label for="poured-at" class="quiet small">Poured</label>
          <input
            id="poured-at"
            type="datetime-local"
            :value="toLocalField(pull.pouredAt)"
            @change="setDate(($event.target as HTMLInputElement).value)"
          />
        </div>
        <p v-if="dateProblem" class="says" role="alert">{{ dateProblem }}</p>
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

        <table class="sums">
          <thead>
            <tr>
              <th scope="col">What was weighed</th>
              <th scope="col">planned</th>
              <th scope="col">really</th>
            </tr>
          </thead>
          <tbody v-for="(layer, i) in pull.layers" :key="i">
            <tr class="layer">
              <th scope="rowgroup" colspan="3">
                {{ i + 1 }} {{ layer.name }}
                <span v-if="errors[i] !== undefined" class="quiet small">{{
                  ratioWords(errors[i]!)
                }}</span>
              </th>
            </tr>
            <tr v-for="(amount, j) in layer.amounts" :key="amount.what">
              <td>{{ amount.name }}</td>
              <td class="num">
                {{ figure(amount.planned, 'mass', studio.units, { step: fine(amount.planned) }) }}
              </td>
              <td>
                <QuantityField
                  bare
                  optional
                  :label="`${amount.name} of ${layer.name}, really weighed`"
                  kind="mass"
                  :step="fine(amount.planned)"
                  :placeholder="unitSymbol('mass', studio.units)"
                  :value="amount.weighed"
                  :take="(mass) => weigh(i, j, mass)"
                />
              </td>
            </tr>
          </tbody>
        </table>
      </div>

      <div class="stack">
        <SegmentField
          above
          label="How it came out"
          :options="outcomes.map((value) => ({ value, label: labels[value] }))"
          :value="pull.outcome"
          @choose="change({ outcome: $event as Outcome })"
        />
        <fieldset class="faults">
          <legend>What went wrong</legend>
          <button
            v-for="fault in faultNames"
            :key="fault"
            type="button"
            class="fault"
            :class="{ on: pull.faults.includes(fault) }"
            :aria-pressed="pull.faults.includes(fault)"
            @click="toggle(fault)"
          >
            {{ fault }}
          </button>
        </fieldset>
        <dl v-if="causes.length > 0" class="causes">
          <div v-for="{ fault, cause } in causes" :key="fault">
            <dt>{{ fault }}</dt>
            <dd>{{ cause }}</dd>
          </div>
          <p class="quiet small">Usual causes, common practice.</p>
        </dl>
        <TextField
          label="What you saw"
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

.when {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}

.when input {
  border: 0;
  border-bottom: 1.5px solid var(--edge);
  background: transparent;
  font: 600 var(--size-lead) var(--num);
}

td:first-child {
  text-align: left;
}

.layer th {
  padding-top: 10px;
  font: 600 var(--size) var(--num);
}

.layer span {
  margin-left: 8px;
  font-family: var(--text);
  font-weight: 400;
}

td :deep(.field-row) {
  display: block;
}

.faults {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin: 0;
  padding: 0;
  border: 0;
}

.faults legend {
  margin-bottom: 5px;
  padding: 0;
  color: var(--ink-2);
  font-size: var(--size-small);
}

.fault {
  padding: 4px 11px;
  border: 1px solid var(--line);
  border-radius: var(--r-round);
  background: var(--panel);
  color: var(--ink-2);
  font-size: var(--size-small);
  cursor: pointer;
}

.fault:hover {
  border-color: var(--warn);
}

.fault.on {
  border-color: var(--warn);
  background: var(--warn-soft);
  color: var(--warn-ink);
  font-weight: 650;
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

.says {
  padding: 6px 10px;
  border-left: 3px solid var(--stop);
  background: var(--stop-soft);
  color: var(--stop-ink);
  font-size: var(--size-small);
}
</style>
