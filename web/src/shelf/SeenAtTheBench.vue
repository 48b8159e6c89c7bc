<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import type { ChartOptions } from 'chart.js'
import { Line } from 'vue-chartjs'
import dayjs from 'dayjs'
import { workingLaw, workingTime, type PotLifeCurve } from '@mivro/core/cure'
import { potMassOf, type Observation, type Resin, type Silicone } from '@mivro/core/material'
import type { Problem } from '@mivro/core/problem'
import { chosenUnit, fromSI, show, showDuration, unitSymbol } from '@mivro/core/units'
import { newId } from '../api/client.ts'
import { useStudio } from '../studio/studioStore.ts'
import { axisTitle, chartFont as font, chartGrid, chartInk } from '../ui/chart.ts'
import { showDay } from '../ui/dates.ts'
import PlainSelect from '../ui/PlainSelect.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import Says from '../ui/Says.vue'
import { askCurve } from '../work/pool.ts'

/** What was really seen of a material, and what it makes of the sheet. */
const props = defineProps<{
  material: Resin | Silicone
  take: (observations: Observation[]) => Problem | undefined
}>()
const studio = useStudio()
const seen = computed(() => props.material.observations ?? [])

const curve = shallowRef<PotLifeCurve>()
watch(
  () => props.material,
  async (material) => {
    if (material.kind === 'silicone') {
      const rooms = Array.from({ length: 13 }, (_, i) => 285.15 + 2 * i)
      const alone = workingLaw({ ...material, observations: [] })
      const learned = workingLaw(material)
      curve.value = {
        rooms,
        sheet: rooms.map((room) => workingTime(alone, room)),
        learned: rooms.map((room) => workingTime(learned, room)),
      }
      return
    }
    const found = await askCurve(material)
    if (props.material === material) curve.value = found
  },
  { immediate: true },
)

const degrees = computed(() => chosenUnit('temperature', studio.units))
const inHours = computed(() => Math.max(...(curve.value?.sheet ?? [0])) > 3 * 3600)
const time = (s: number) => s / (inHours.value ? 3600 : 60)
const pots = computed(() => seen.value.filter(({ what }) => what === 'pot life'))
const data = computed(() => {
  const { rooms = [], sheet = [], learned = [] } = curve.value ?? {}
  const line = (values: number[]) =>
    rooms.map((room, i) => ({ x: fromSI(room, degrees.value), y: time(values[i]) }))
  const counted = seen.value.some(({ leftOut }) => !leftOut)
  const dots = (leftOut: boolean) =>
    pots.value
      .filter((one) => Boolean(one.leftOut) === leftOut)
      .map(({ room, value }) => ({ x: fromSI(room, degrees.value), y: time(value) }))
  return {
    datasets: [
      {
        label: 'The sheet',
        data: line(sheet),
        borderColor: '#4a625f',
        borderDash: [5, 4],
        borderWidth: 1.6,
        pointRadius: 0,
      },
      ...(counted
        ? [
            {
              label: 'With what was seen',
              data: line(learned),
              borderColor: '#0f7376',
              borderWidth: 2.4,
              pointRadius: 0,
            },
          ]
        : []),
      {
        label: 'Seen',
        data: dots(false),
        showLine: false,
        borderColor: '#b9700c',
        backgroundColor: '#e8a838',
        pointRadius: 5,
        pointBorderWidth: 1.5,
      },
      {
        label: 'Left out',
        data: dots(true),
        showLine: false,
        borderColor: '#7e918e',
        backgroundColor: '#ffffff',
        pointRadius: 4,
        pointBorderWidth: 1.5,
      },
    ],
  }
})
const options = computed((): ChartOptions<'line'> => ({
  responsive: true,
  maintainAspectRatio: false,
  animation: false,
  parsing: false,
  scales: {
    x: {
      type: 'linear',
      title: axisTitle(`room, ${unitSymbol('temperature', studio.units)}`),
      grid: { color: chartGrid },
      ticks: { color: chartInk, font, maxTicksLimit: 6 },
    },
    y: {
      min: 0,
      title: axisTitle(inHours.value ? 'pot life, hours' : 'pot life, minutes'),
      grid: { color: chartGrid },
      ticks: { color: chartInk, font, maxTicksLimit: 5 },
    },
  },
  plugins: {
    tooltip: {
      callbacks: {
        title: () => '',
        label: ({ dataset, parsed }) =>
          `${dataset.label}: ${(parsed.y ?? 0).toFixed(inHours.value ? 1 : 0)} ${inHours.value ? 'h' : 'min'}`,
      },
    },
  },
}))

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
    <div v-if="curve" class="chart">
      <Line
        :data="data"
        :options="options"
        aria-label="Pot life against the room: the sheet, and with what was seen"
        data-chart="learned"
      />
    </div>
    <ul class="legend" aria-hidden="true">
      <li><i class="dashed" />the sheet</li>
      <li v-if="seen.some(({ leftOut }) => !leftOut)"><i class="solid" />with what was seen</li>
      <li v-if="pots.length > 0"><b />seen</li>
    </ul>
    <ul v-if="seen.length > 0" class="list">
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

.chart {
  height: 168px;
}

.legend {
  display: flex;
  gap: 14px;
  color: var(--ink-2);
  font-size: 12px;
}

.legend li {
  display: flex;
  align-items: center;
  gap: 6px;
}

.legend i {
  width: 18px;
  border-top: 2px dashed var(--ink-2);
}

.legend i.solid {
  border-top: 2.5px solid var(--teal);
}

.legend b {
  width: 9px;
  height: 9px;
  border: 1.5px solid var(--amber);
  border-radius: 50%;
  background: var(--honey);
}

.list li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  padding: 3px 0;
  border-bottom: 1px solid var(--line-2);
}

.list label {
  display: flex;
  gap: 8px;
  align-items: center;
  cursor: pointer;
}

.list label > span {
  display: flex;
  flex-direction: column;
}

.list b {
  font-weight: 600;
}

.list .out b {
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
