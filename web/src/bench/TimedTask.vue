<script setup lang="ts">
import { computed } from 'vue'
import { isOverMark } from '@mivro/core/matter/air'
import type { Task } from '@mivro/core/work/bench'
import { show, showDuration } from '@mivro/core/base/units'
import { nameOfMould } from '@mivro/words/bench'
import { saySpots } from '@mivro/words/run'
import MiniCut from '../cutaway/MiniCut.vue'
import { useStudio } from '../project/studioStore.ts'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'
import type { Pictures } from './usePictures.ts'

/** Everything that is not weighed or ticked: what to do, on what, and how long it takes. */
const props = defineProps<{
  task: Exclude<Task, { what: 'weigh' | 'lay out' | 'turn' }>
  open: UseBench
  instruments: UseInstruments
  pictures: Pictures
}>()
const studio = useStudio()

/** The clock that this task is about. */
const ownClock = computed(() => {
  const { task } = props
  const wanted: Partial<Record<Task['what'], string[]>> = {
    mix: ['stir'],
    prefill: ['pours'],
    wet: ['pours'],
    fill: ['pours'],
    set: ['set'],
    band: ['pours'],
    'into pot': ['gels', 'pressure by'],
    lid: ['pressure by'],
    hold: ['hold'],
    release: [],
    trim: ['flat'],
    demould: ['demould'],
    wait: ['wait'],
  }
  const names = wanted[task.what] ?? []
  return props.open.clocks.value.find(
    ({ what, mix }) =>
      names.includes(what) && (mix === undefined || !('mix' in task) || mix === task.mix),
  )
})
const waits = computed(() => {
  const { task } = props
  if (task.what !== 'mix') return undefined
  return props.open.clocks.value.find(
    ({ what, mix, left }) => what === 'next mix' && mix === task.mix && left > 0,
  )
})
const figureShown = computed(() => {
  const clock = waits.value ?? ownClock.value
  if (!clock) return undefined
  return clock.left > 0
    ? { time: showDuration(clock.left, 'second'), state: clock.state, kind: clock.kind }
    : { time: 'now', state: clock.state, kind: clock.kind }
})
const figureWords = computed(() => {
  if (waits.value) return 'until this cup is mixed'
  const words: Partial<Record<Task['what'], string>> = {
    mix: 'to stir',
    prefill: 'left to pour',
    wet: 'left to pour',
    trim: 'until they are hard',
    fill: 'left to pour',
    set: 'left to set them',
    band: 'left to pour',
    'into pot': 'left',
    lid: 'until it has to be at pressure',
    hold: 'until it is hard',
    demould: 'until they come out',
    wait: 'to wait',
  }
  return words[props.task.what] ?? ''
})
const mould = computed(() => ('mould' in props.task ? props.task.mould : undefined))
const spots = computed(() => (props.task.what === 'prefill' ? props.task.spots : []))
const picture = computed(() => mould.value && props.pictures.get(mould.value.pour))
const gauge = computed(() => {
  const { task, instruments } = props
  if (task.what === 'vacuum') return instruments.valueOf('vacuum gauge')
  if (task.what === 'lid' || task.what === 'hold' || task.what === 'release') {
    return instruments.valueOf('pot gauge')
  }
  return undefined
})
const target = computed(() => ('gauge' in props.task ? props.task.gauge : undefined))
const over = computed(
  () =>
    props.task.what === 'lid' &&
    gauge.value !== undefined &&
    isOverMark(gauge.value, props.task.marked),
)
const moulds = computed(() => ('moulds' in props.task ? props.task.moulds : []))
const cupWarmth = computed(() =>
  props.task.what === 'mix' || props.task.what === 'fill'
    ? props.instruments.valueOf('cup thermometer')
    : undefined,
)
const left = computed(() => {
  if (props.task.what !== 'fill') return 0
  const { mix } = props.task
  return props.open.progress.value!.tasks.filter(
    (one) => one.what === 'fill' && one.mix === mix && !props.open.progress.value!.done.has(one.id),
  ).length
})
</script>

<template>
  <div class="timed">
    <div class="look">
      <MiniCut
        v-if="picture"
        class="picture"
        v-bind="picture"
        :width="200"
        :height="190"
        :spots="spots"
      />
      <div class="figures stack-10">
        <p
          v-if="figureShown"
          class="read stack-6"
          :class="[figureShown.state, figureShown.kind]"
          data-read
        >
          <b>{{ figureShown.time }}</b> <small>{{ figureWords }}</small>
        </p>
        <p v-if="gauge !== undefined" class="gauge" :class="{ over }">
          <b class="num">{{ show(gauge, 'pressure', studio.units) }}</b>
          <span v-if="target !== undefined">of {{ show(target, 'pressure', studio.units) }}</span>
        </p>
        <p v-if="over" class="trouble" role="alert">
          Over the mark of the pot. Compressor off, open the valve, step back.
        </p>
        <p v-if="mould" class="lead">{{ nameOfMould(mould) }}</p>
        <p v-if="task.what === 'fill'" class="lead">
          {{ show(task.volume, 'volume', studio.units) }} each · {{ left }} still to fill from this
          cup
        </p>
        <p v-for="line in saySpots({ spots }, studio.units)" :key="line" class="quiet">
          {{ line }}
        </p>
        <p v-if="cupWarmth !== undefined" class="quiet">
          The cup is at {{ show(cupWarmth, 'temperature', studio.units) }}.
        </p>
      </div>
    </div>
    <ul v-if="moulds.length > 0" class="moulds">
      <li v-for="one in moulds" :key="one.key">{{ nameOfMould(one) }}</li>
    </ul>
  </div>
</template>

<style scoped>
.timed {
  display: flex;
  flex-direction: column;
  gap: 18px;
  min-height: 0;
  flex: 1;
}

.look {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 24px 28px;
}

.picture {
  border-radius: var(--r-large);
  background: var(--bench-paper);
}

.read b {
  font: 650 var(--bench-figure-2) / 1 var(--num);
  font-feature-settings: 'tnum';
  letter-spacing: -0.02em;
}

.read small,
.gauge span {
  font: 600 var(--bench-lead) / 1.2 var(--text);
  color: var(--ink-2);
}

.amber b {
  color: var(--honey);
}

.red b {
  color: var(--stop);
}

.wait b {
  color: var(--teal);
}

.gauge {
  display: flex;
  align-items: baseline;
  gap: 12px;
}

.gauge b {
  font-size: var(--bench-clock);
}

.gauge.over b,
.trouble {
  color: var(--stop);
}

.trouble {
  padding: 10px 14px;
  border: 1px solid var(--stop);
  border-radius: var(--r);
}

.lead {
  font-size: var(--bench-lead);
}

.moulds {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(200px, 1fr));
  gap: 8px;
  overflow: hidden auto;
}

.moulds li {
  padding: 10px 14px;
  border-radius: var(--r);
  background: var(--panel);
}
</style>
