<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { ElButton, ElCheckbox, ElDatePicker } from 'element-plus'
import dayjs from 'dayjs'
import { potMassOf, type Observation, type Resin, type Silicone } from '@mivro/core/matter/material'
import type { Problem } from '@mivro/core/base/problem'
import { show, showDuration } from '@mivro/core/base/units'
import { newId } from '../api/client.ts'
import { useStudio } from '../project/studioStore.ts'
import { dayFormat, showDay } from '../ui/dates.ts'
import type { Choice } from '../ui/choices.ts'
import SelectField from '../ui/SelectField.vue'
import LearnedChart from './LearnedChart.vue'
import FieldRow from '../ui/FieldRow.vue'
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

const kinds = computed((): Choice<Observation['what']>[] =>
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
  <section class="seen stack-10" aria-label="Measurements">
    <h2>Measurements</h2>
    <p class="quiet">
      What you measured moves the clock: the sheet is kept beside it, and a strange reading can be
      left out.
    </p>
    <LearnedChart :material="material" />
    <ul v-if="seen.length > 0" class="readings">
      <li v-for="one in seen" :key="one.id" :class="{ out: one.leftOut }">
        <ElCheckbox :model-value="!one.leftOut" @change="toggle(one)">
          <b>{{ words[one.what] }} {{ say(one) }}</b>
          <span class="quiet small">
            {{ show(one.mass, 'mass', studio.units) }} at
            {{ show(one.room, 'temperature', studio.units) }}, {{ showDay(one.on) }}
          </span>
        </ElCheckbox>
        <RemoveButton
          :label="`Delete ${words[one.what]} of ${showDay(one.on)}`"
          @click="remove(one)"
        />
      </li>
    </ul>
    <SelectField
      v-if="kinds.length > 1"
      label="Measured"
      :options="kinds"
      :value="what"
      @choose="what = $event"
    />
    <QuantityField
      :key="what"
      :label="what === 'peak' ? 'Measured temperature' : 'Measured time'"
      :kind="what === 'peak' ? 'temperature' : 'duration'"
      optional
      :value="value"
      :take="(v) => void (value = v)"
    />
    <QuantityField label="Room" kind="temperature" :value="room" :take="(v) => void (room = v)" />
    <QuantityField
      label="Amount in the cup"
      kind="mass"
      :value="mass"
      :take="(v) => void (mass = v)"
    />
    <FieldRow label="Day">
      <ElDatePicker
        v-model="on"
        class="line"
        type="date"
        :format="dayFormat"
        value-format="YYYY-MM-DD"
        :clearable="false"
        aria-label="Day"
      />
    </FieldRow>
    <Says :problem="problem" />
    <ElButton :disabled="value === undefined" @click="keep"> Add measurement </ElButton>
  </section>
</template>

<style scoped>
.readings li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding: 3px 0;
  border-bottom: 1px solid var(--line-2);
}

.readings b {
  font-weight: 600;
}

.readings .out b {
  color: var(--ink-2);
  text-decoration: line-through;
}

.readings :deep(.el-checkbox) {
  height: auto;
  white-space: normal;
}

.readings :deep(.el-checkbox__label) {
  display: flex;
  flex-direction: column;
}

.seen > .el-button {
  align-self: flex-start;
}
</style>
