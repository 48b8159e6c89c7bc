<script setup lang="ts">
import { computed } from 'vue'
import {
  lanesOf,
  ticksOf,
  type CupLane,
  type Span,
  type Run,
  type TimedLoad,
} from '@mivro/core/work/run'
import { showDuration } from '@mivro/core/base/units'
import { taskWords } from '@mivro/words/run'
import Tip from '../ui/Tip.vue'

/** What the hands do in a load, against the cup that ages meanwhile. */
const props = defineProps<{ load: TimedLoad; run: Run }>()
const lanes = computed(() => lanesOf(props.load, props.run))
const ticks = computed(() => ticksOf(lanes.value.end))
const share = (at: number) => `${(100 * Math.min(at, lanes.value.end)) / lanes.value.end}%`
/** Words stand on the side of their mark where there is room. */
const side = (at: number) => ({ before: at > lanes.value.end / 2 })
const across = ({ from, until }: Pick<Span, 'from' | 'until'>) => ({
  left: share(from),
  width: `${(100 * (Math.min(until, lanes.value.end) - from)) / lanes.value.end}%`,
})
/** Of the clock, so wide are the words of a mark, or of a stretch. */
const words = 0.2
/** Beside the words of the lid's mark: on which side the words of a stretch have room, if on one. */
const besideMark = ({ from, until }: Pick<Span, 'from' | 'until'>) => {
  const { lidBy, end } = lanes.value
  if (lidBy === undefined) return 'center'
  const first = side(lidBy).before ? lidBy - words * end : lidBy
  const [left, right] = [first - from, Math.min(until, end) - first - words * end]
  if (Math.max(left, right) < words * end) return undefined
  return left > right ? 'left' : 'right'
}
/** From thin to syrup, as the clock of a pour draws it. */
const ageing = ({ from, gel, thick }: CupLane) => {
  const end = Math.min(gel, lanes.value.end)
  const stops = thick
    .filter(({ at }) => at <= end)
    .filter((_, i, all) => i % Math.ceil(all.length / 24) === 0)
    .map(({ at, times }) => {
      const hard = Math.min(100, Math.max(0, Math.round(50 * Math.log2(times))))
      return `color-mix(in oklab, var(--hard) ${hard}%, var(--pourable)) ${(100 * (at - from)) / (end - from)}%`
    })
  return { background: `linear-gradient(to right, ${stops.join(', ')})` }
}
const says = (span: Span) => {
  const what = span.what === 'held' ? 'Under pressure' : taskWords[span.what]
  const mould = span.mould === undefined ? '' : ` mould ${span.mould}`
  return `${what}${mould}: ${showDuration(span.from, 'second')} to ${showDuration(span.until, 'second')}`
}
/** A block as wide as its number is named by it. */
const shown = (span: Span) => {
  const wide = (span.until - span.from) / lanes.value.end
  if (span.what === 'held') return besideMark(span) ? 'under pressure' : ''
  if (span.mould !== undefined) return wide > 0.022 ? String(span.mould) : ''
  return wide > 0.012 * taskWords[span.what].length + 0.01 ? taskWords[span.what] : ''
}
const kinds = computed(() => [
  ...new Set(
    [...lanes.value.hands.flat(), ...lanes.value.machine].map(
      ({ what }) => what as keyof typeof taskWords,
    ),
  ),
])
</script>

<template>
  <div class="clock stack-6" role="group" aria-label="The clock of this load">
    <div class="lane axis" aria-hidden="true">
      <span />
      <div class="track">
        <i v-for="tick in ticks" :key="tick" class="small" :style="{ left: share(tick) }">{{
          tick === 0 ? 'parts meet' : showDuration(tick, 'second')
        }}</i>
      </div>
    </div>
    <div v-for="(cup, i) in lanes.cups" :key="`cup-${i}`" class="lane">
      <b>{{ lanes.cups.length > 1 ? `Cup ${i + 1}` : 'The cup' }}</b>
      <div class="track">
        <span
          class="span cup"
          :style="{ ...across({ from: cup.from, until: cup.gel }), ...ageing(cup) }"
        />
        <span class="mark" :class="side(cup.poursUntil)" :style="{ left: share(cup.poursUntil) }">
          <em class="small">pours until {{ showDuration(cup.poursUntil - cup.from, 'second') }}</em>
        </span>
      </div>
    </div>
    <div v-for="(hand, i) in lanes.hands" :key="`hand-${i}`" class="lane">
      <b>{{ lanes.hands.length > 1 ? `Hands ${i + 1}` : 'The hands' }}</b>
      <div class="track">
        <Tip v-for="(span, k) in hand" :key="k" :says="says(span)">
          <span class="span task" :class="span.what" :style="across(span)">{{ shown(span) }}</span>
        </Tip>
      </div>
    </div>
    <div v-if="lanes.machine.length > 0" class="lane">
      <b>Machine</b>
      <div class="track">
        <Tip v-for="(span, k) in lanes.machine" :key="k" :says="says(span)">
          <span class="span task" :class="span.what" :style="across(span)">{{ shown(span) }}</span>
        </Tip>
      </div>
    </div>
    <div v-if="lanes.pot.length > 0" class="lane">
      <b>The pot</b>
      <div class="track">
        <Tip v-for="(span, k) in lanes.pot" :key="k" :says="says(span)">
          <span
            class="span task"
            :class="span.what"
            :style="{
              ...across(span),
              ...(span.what === 'held' && { textAlign: besideMark(span) }),
            }"
            >{{ shown(span) }}</span
          >
        </Tip>
        <span
          v-if="lanes.lidBy"
          class="mark stop"
          :class="side(lanes.lidBy)"
          :style="{ left: share(lanes.lidBy) }"
        >
          <em class="small">by {{ showDuration(lanes.lidBy, 'second') }}</em>
        </span>
      </div>
    </div>
    <ul class="key small" aria-hidden="true">
      <li v-for="kind in kinds" :key="kind"><i :class="kind" />{{ taskWords[kind] }}</li>
    </ul>
  </div>
</template>

<style scoped>
.lane {
  display: grid;
  grid-template-columns: 76px minmax(0, 1fr);
  align-items: start;
  min-height: 30px;
}

.lane b {
  font-weight: 600;
  line-height: 24px;
}

.axis {
  min-height: 20px;
}

.track {
  position: relative;
  height: 24px;
}

.axis .track {
  height: 18px;
  border-bottom: 1px solid var(--line);
}

.axis i {
  position: absolute;
  font-style: normal;
  color: var(--ink-2);
  white-space: nowrap;
  transform: translateX(-50%);
}

.axis i:first-child {
  transform: none;
}

.span {
  position: absolute;
  top: 0;
  height: 24px;
  border-radius: var(--r-tiny);
}

.task {
  overflow: hidden;
  border: 1px solid var(--panel);
  background: var(--line);
  color: var(--ink);
  font-size: var(--size-small);
  font-weight: 600;
  line-height: 22px;
  text-align: center;
  white-space: nowrap;
}

.held {
  padding: 0 8px;
}

.mark {
  position: absolute;
  top: -2px;
  height: 28px;
  border-left: 2px solid var(--ink);
  pointer-events: none;
}

.mark em {
  position: absolute;
  top: 5px;
  left: 5px;
  padding: 0 3px;
  border-radius: var(--r-tiny);
  background: var(--veil);
  color: var(--ink);
  font-style: normal;
  white-space: nowrap;
}

.mark.stop {
  border-color: var(--stop);
}

.mark.before em {
  right: 5px;
  left: auto;
}

.mark.stop em {
  color: var(--stop-ink);
}

/* The words of the first moment are long. */
@media (max-width: 1180px) {
  .axis i:nth-child(2) {
    visibility: hidden;
  }
}

.key {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  margin: 2px 0 0 76px;
  color: var(--ink-2);
}

.key li {
  display: flex;
  align-items: center;
  gap: 5px;
}

.key i {
  width: 11px;
  height: 11px;
  border-radius: var(--r-tiny);
}

.stir {
  background: var(--metal);
}

.vacuum {
  background: var(--air);
}

.face {
  background: var(--ink-2);
  color: var(--panel);
}

.prefill {
  background: var(--prefilled);
}

.wet {
  background: var(--resin);
}

.fill {
  background: var(--resin-deep);
}

.rock {
  background: var(--resin-light);
}

.plug {
  background: var(--amber-soft);
}

.turn {
  background: var(--honey);
}

.band {
  background: var(--silicone-2);
}

.pot,
.lid {
  background: var(--teal-mid);
}

.pressure {
  background: linear-gradient(to right, var(--teal-soft), var(--teal-mid));
}

.held {
  padding-left: 8px;
  text-align: left;
  background: var(--teal-soft);
  color: var(--teal-ink);
}
</style>
