<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { ElButton, ElDatePicker } from 'element-plus'
import { readDocument } from '@mivro/core/base/document'
import {
  faultNames,
  outcomes,
  pullSchema,
  type CopyResult,
  type Fault,
  type Pull,
} from '@mivro/core/work/pull'
import { sayLogged } from '@mivro/words/mishap'
import { outcomeWords } from '@mivro/words/pull'
import { mouldKinds } from '@mivro/core/mould'
import { isHollow } from '@mivro/core/work/plan'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import type { Session } from '../api/session.ts'
import { useProject } from '../project/projectStore.ts'
import CountField from '../ui/CountField.vue'
import { fileName } from '../ui/download.ts'
import FieldRow from '../ui/FieldRow.vue'
import { fieldsOf } from '../ui/fields.ts'
import Fold from '../ui/Fold.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'
import { isoFormat, momentFormat } from '../ui/dates.ts'
import CopyResults from './CopyResults.vue'
import PullLadder from './PullLadder.vue'
import PullPins from './PullPins.vue'
import PullWeights from './PullWeights.vue'

const props = defineProps<{ session: Session<'pulls'>; number: number }>()
const project = useProject()
const pull = computed(() => props.session.document)
/** Halves of one make go with each other in any pairing: which did is worth writing down. */
const inHalves = computed(() => project.mould && mouldKinds[project.mould.kind].parts === 2)
/** A cast that is weighed tells its wall. */
const hollow = computed(() =>
  project.pours.some(({ id, document }) => id === pull.value.plan && isHollow(document)),
)
const dateProblem = shallowRef<Problem>()

function change(values: Partial<Pull>): Problem | undefined {
  try {
    props.session.edit(readDocument(pullSchema, { ...pull.value, ...values }))
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}

/** To begin with each copy came out as the whole did. */
const eachCopy = (): CopyResult[] =>
  Array.from({ length: pull.value.copies }, (_, i) => ({
    copy: i + 1,
    result: pull.value.outcome,
  }))
const toggle = (fault: Fault) => {
  const had = pull.value.faults.includes(fault)
  change({
    faults: had ? pull.value.faults.filter((f) => f !== fault) : [...pull.value.faults, fault],
  })
}
/** Both halves of a trial know each other by what they differ in. */
const trialOf = (difference: string, with_: 'yes' | 'no' = 'yes'): Pull['trial'] =>
  difference.trim() === ''
    ? undefined
    : { id: fileName(difference).slice(0, 60), difference: difference.trim(), with: with_ }
const { field, choice } = fieldsOf(() => pull.value, change)
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
      v-if="pull.results?.length"
      :pull="pull"
      :take="(results) => change({ results })"
    />
    <ul v-if="pull.mishaps?.length" class="mishaps" aria-label="What went wrong at the bench">
      <li v-for="(mishap, i) in pull.mishaps" :key="i">{{ sayLogged(mishap) }}</li>
    </ul>
    <PullPins :id="session.id" :pull="pull" :change="change" />
    <div class="two-columns">
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
        <CountField label="Copies" v-bind="field('copies')" />
        <QuantityField label="Room" kind="temperature" v-bind="field('room')" />
        <QuantityField
          label="Humidity"
          kind="fraction"
          optional
          placeholder="not measured"
          v-bind="field('humidity')"
        />

        <TextField
          v-if="inHalves"
          label="Halves"
          :value="pull.halves ?? ''"
          placeholder="such as: top 2 with bottom A"
          :take="(halves) => change({ halves: halves.trim() || undefined })"
        />
        <PullWeights :pull="pull" :change="change" />
        <QuantityField
          v-if="hollow || pull.castMass !== undefined"
          optional
          label="Weight of one cast"
          kind="mass"
          v-bind="field('castMass')"
        />
        <QuantityField
          v-if="hollow || pull.cutWall !== undefined"
          optional
          label="Wall, of one that was cut open"
          kind="length"
          v-bind="field('cutWall')"
        />
      </div>

      <div class="stack">
        <SegmentField
          v-if="!pull.results?.length"
          above
          label="Result"
          :options="outcomes.map((value) => ({ value, label: outcomeWords[value] }))"
          v-bind="choice('outcome')"
        />
        <ElButton
          v-if="!pull.results?.length && pull.copies > 1"
          class="each start"
          @click="change({ results: eachCopy() })"
          >Copy by copy</ElButton
        >
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
          v-bind="field('note')"
          placeholder="Colour, joins, where air stayed"
        />
        <TextField
          label="Who"
          :value="pull.who ?? ''"
          placeholder="who poured it"
          :take="(who) => change({ who: who.trim() || undefined })"
        />
        <Fold title="When it may be sanded, painted, sent">
          <PullLadder :id="session.id" :pull="pull" :change="change" />
        </Fold>
        <Fold title="Paired trial">
          <TextField
            label="The one difference"
            :value="pull.trial?.difference ?? ''"
            placeholder="such as: dusted with talc"
            :take="(difference) => change({ trial: trialOf(difference, pull.trial?.with) })"
          />
          <SegmentField
            v-if="pull.trial"
            label="These casts"
            :options="{ yes: 'with it', no: 'without' }"
            :value="pull.trial.with"
            @choose="change({ trial: { ...pull.trial!, with: $event } })"
          />
          <p class="quiet small">
            One batch, one difference: the pull of the other half names the same.
          </p>
        </Fold>
        <TextField
          label="What to change next time"
          :lines="3"
          v-bind="field('nextTime')"
          placeholder="The next pour of this piece opens with this line"
        />
      </div>
    </div>
  </section>
</template>

<style scoped>
.mishaps {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 8px 12px;
  border-left: 3px solid var(--honey);
  background: var(--amber-soft);
  color: var(--amber-ink);
}

.form {
  padding: 16px 20px;
  overflow: hidden auto;
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
</style>
