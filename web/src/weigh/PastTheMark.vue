<script setup lang="ts">
import { computed } from 'vue'
import { ratioTolerance, type CupCheck } from '@mivro/core/matter/mix'
import { show, showCup } from '@mivro/core/base/units'
import { sayDeeper } from '@mivro/words/colour'
import { useStudio } from '../project/studioStore.ts'

/** What the cup says while it is filled: how far off, what to add, whether it still fits. */
const props = defineProps<{
  check: CupCheck
  step: number
  cupSize: number
  /** What was to be mixed, m³. */
  wanted: number
  /** What the plan needs of it, m³. */
  needed?: number
}>()
const studio = useStudio()
const grams = (kg: number) => show(kg, 'mass', studio.units, { step: props.step })
const volume = (m3: number) => show(m3, 'volume', studio.units)

/** Less than half a step of the scale can't be added. */
const toAdd = computed(() => props.check.add.filter(({ mass }) => mass >= props.step / 2))
const done = computed(() => props.check.error !== undefined && toAdd.value.length === 0)
const off = computed(() => Math.abs(props.check.error ?? 0))
const verdict = computed(() => {
  const { error } = props.check
  if (error === undefined) return undefined
  const figure = (100 * off.value).toFixed(1)
  const sign = figure === '0.0' ? '' : error > 0 ? '+' : '−'
  const text = `${sign}${figure} %`
  if (off.value <= ratioTolerance) return { text, words: 'within what the cure bears', tone: 'ok' }
  return { text, words: error > 0 ? 'too much A for B' : 'too little A for B', tone: 'stop' }
})
const mark = computed(() => 50 + 45 * Math.max(-1, Math.min(1, (props.check.error ?? 0) / 0.2)))
</script>

<template>
  <div class="past stack-8" role="status">
    <template v-if="verdict">
      <div class="error">
        <b :class="verdict.tone">{{ verdict.text }}</b>
        <span>{{ verdict.words }}</span>
      </div>
      <div class="gauge" aria-hidden="true">
        <i class="good" />
        <i class="mark" :style="{ left: `${mark}%` }" />
      </div>
    </template>
    <p v-if="check.mass === 0" class="quiet">
      Write into the table what the scale showed of each: what is missing stands here.
    </p>
    <template v-else-if="toAdd.length > 0">
      <p class="add">
        Add
        <template v-for="(portion, i) in toAdd" :key="portion.what">
          <template v-if="i > 0">{{ i === toAdd.length - 1 ? ' and ' : ', ' }}</template>
          <b>{{ grams(portion.mass) }}</b> of {{ portion.name }}</template
        >.
      </p>
      <p class="quiet">
        Then {{ grams(check.mass) }} in all, {{ volume(check.volume) }}.
        <template v-if="check.volume > wanted * 1.001">
          That is {{ volume(check.volume - wanted) }} more than you wanted.
        </template>
      </p>
    </template>
    <p v-else-if="done" class="ok">
      It matches: {{ grams(check.mass) }}, {{ volume(check.volume) }}.
    </p>
    <p v-for="tint in check.deeper" :key="tint.what">{{ sayDeeper(tint) }}</p>
    <p v-if="check.mass > 0 && !check.fits" class="stop">
      {{ volume(check.volume) }} is more than a cup of {{ showCup(cupSize, studio.units) }} stirs.
      Pour it into a larger one before you add.
    </p>
    <p v-if="needed !== undefined && check.mass > 0 && toAdd.length === 0" class="quiet">
      <template v-if="check.volume >= needed * 0.999">
        The plan needs {{ volume(needed) }}: {{ volume(check.volume - needed) }} stay over for the
        witness cup or a small mould.
      </template>
      <b v-else class="stop"
        >The plan needs {{ volume(needed) }}: {{ volume(needed - check.volume) }} short.</b
      >
    </p>
  </div>
</template>

<style scoped>
.error {
  display: flex;
  align-items: baseline;
  gap: 12px;
}

.error b {
  font: 650 var(--size-figure)/1 var(--num);
}

.ok {
  color: var(--ok);
}

.stop {
  color: var(--stop);
}

.add {
  font-size: var(--size-lead);
}

.add b {
  font: 650 var(--size-head)/1 var(--num);
}

.gauge {
  position: relative;
  height: 12px;
  border-radius: var(--r-small);
  background: linear-gradient(
    to right,
    var(--stop-soft),
    var(--amber-soft) 38%,
    var(--amber-soft) 62%,
    var(--stop-soft)
  );
}

.good {
  position: absolute;
  left: 45.5%;
  width: 9%;
  top: 0;
  bottom: 0;
  background: var(--ok-soft);
}

.mark {
  position: absolute;
  top: -4px;
  bottom: -4px;
  width: 4px;
  margin-left: -2px;
  border-radius: var(--r-tiny);
  background: var(--ink);
}
</style>
