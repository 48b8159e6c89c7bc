<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import dayjs from 'dayjs'
import { potMassOf, type Observation, type Resin, type Silicone } from '@mivro/core/material'
import type { Problem } from '@mivro/core/problem'
import { show, showDuration } from '@mivro/core/units'
import { newId } from '../api/client.ts'
import { useStudio } from '../project/studioStore.ts'
import { showDay } from '../ui/dates.ts'
import PlainSelect from '../ui/PlainSelect.vue'
import LearnedChart from './LearnedChart.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import Says from '../ui/Says.vue'

/** What was really seen of a material, and what it makes of the sheet. */
const props = defineProps<{
  material: Resin | Silicone
  take: (observations: Observation[]) => Problem | undefined
}>()
const studio = useStudio()
const seen = computed(() => props.material.observations ?? [])

const kinds = computed(() =>
  props.material.kind === 'resin'
    ? [
        { value: 'pot life', label: 'pot life' },
        { value: 'gel', label: 'gel in the cup' },
        { value: 'demould', label: 'demould time' },
        { value: 'peak', label: 'hottest in the cup' },
      ]
    : [{ value: 'pot life', label: 'pot life' }],
)
const what = ref<Observation['what']>('pot life')
const value = ref<number>()
const room = ref(294.15)
const mass = ref(props.material.kind === 'resin' ? potMassOf(props.material) : 0.1)
const on = ref(dayjs().format('YYYY-MM-DD'))
const problem = ref<Problem>()
watch(what, () => (value.value = undefined))

function keep(): void {
  if (value.value === undefined) return
  const made: Observation = {
    id: newId().slice(0, 12),
    what: what.value,
    value: value.value,
    room: room.value,
    mass: mass.value,
    on: on.value,
  }
  problem.value = props.take([...seen.value, made])
  if (!problem.value) value.value = undefined
}
const toggle = (one: Observation) =>
  props.take(
    seen.value.map((other) =>
      other.id === one.id ? { ...other, leftOut: other.leftOut ? undefined : true } : other,
    ),
  )
const remove = (one: Observation) => props.take(seen.value.filter(({ id }) => id !== one.id))
const say = ({ what: kind, value: v }: Observation) =>
  kind === 'peak' ? show(v, 'temperature', studio.units) : showDuration(v)
const words = { 'pot life': 'Pot life', gel: 'Gel in the cup', demould: 'Demould', peak: 'Hottest' }
</script>

<template>
  <section class="seen" aria-label="Seen at the bench">
    <h2>Seen at the bench</h2>
    <p class="quiet">
      What you really saw moves the clock: the sheet is kept beside it, and a strange reading can be
      left out.
    </p>
    <LearnedChart :material="material" />
    <ul v-if="seen.length > 0" class="readings">
      <li v-for="one in seen" :key="one.id" :class="{ out: one.leftOut }">
        <label>
          <input type="checkbox" :checked="!one.leftOut" @change="toggle(one)" />
          <span>
            <b>{{ words[one.what] }} {{ say(one) }}</b>
            <span class="quiet small">
              {{ show(one.mass, 'mass', studio.units) }} at
              {{ show(one.room, 'temperature', studio.units) }}, {{ showDay(one.on) }}
            </span>
          </span>
        </label>
        <RemoveButton
          :label="`Take ${words[one.what]} of ${showDay(one.on)} off`"
          @click="remove(one)"
        />
      </li>
    </ul>
    <PlainSelect
      v-if="kinds.length > 1"
      label="I saw its"
      :options="kinds"
      :value="what"
      @choose="what = $event as Observation['what']"
    />
    <QuantityField
      :key="what"
      :label="what === 'peak' ? 'It reached' : 'It took'"
      :kind="what === 'peak' ? 'temperature' : 'duration'"
      optional
      :value="value"
      :take="(v) => void (value = v)"
    />
    <QuantityField
      label="Room"
      kind="temperature"
      :value="room"
      :take="(v) => void (room = v ?? room)"
    />
    <QuantityField
      label="In the cup"
      kind="mass"
      :value="mass"
      :take="(v) => void (mass = v ?? 0)"
    />
    <div class="field-row">
      <label for="seen-on" class="field-label">Day</label>
      <input id="seen-on" v-model="on" class="line-input" type="date" />
    </div>
    <Says :problem="problem" />
    <button type="button" class="btn ghost" :disabled="value === undefined" @click="keep">
      Keep what I saw
    </button>
  </section>
</template>

<style scoped>
.seen {
  display: flex;
  flex-direction: column;
  gap: 10px;
}

.readings li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding: 3px 0;
  border-bottom: 1px solid var(--line-2);
}

.readings label {
  display: flex;
  gap: 8px;
  align-items: center;
  cursor: pointer;
}

.readings label > span {
  display: flex;
  flex-direction: column;
}

.readings b {
  font-weight: 600;
}

.readings .out b {
  color: var(--ink-2);
  text-decoration: line-through;
}

.btn {
  align-self: flex-start;
}

.line-input {
  width: 132px;
}
</style>
