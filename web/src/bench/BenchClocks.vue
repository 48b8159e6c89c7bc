<script setup lang="ts">
import { computed } from 'vue'
import type { ClockState } from '@mivro/core/work/bench'
import { showDuration } from '@mivro/core/base/units'
import { sayClock, sayOver } from '@mivro/words/bench'
import type { Said } from './useVoice.ts'

/** All clocks that run, the soonest first, and what was said last. */
const props = defineProps<{
  clocks: readonly ClockState[]
  said: readonly Said[]
  finished: boolean
}>()
const rows = computed(() =>
  props.clocks.slice(0, 5).map((clock) => ({
    ...clock,
    name: sayClock(clock),
    time: clock.left > 0 ? showDuration(clock.left, 'second') : 'now',
    word: clock.left > 0 ? '' : sayOver(clock),
    width: { width: `${100 * clock.share}%` },
  })),
)
</script>

<template>
  <section class="clocks" aria-label="Clocks" tabindex="0">
    <div
      v-for="row in rows"
      :key="row.id"
      class="clock"
      :class="[row.state, row.kind]"
      :data-clock="row.what"
      role="timer"
    >
      <span class="name">{{ row.name }}</span>
      <b>{{ row.time }}</b>
      <span class="bar"><i :style="row.width" /></span>
      <span v-if="row.word" class="what">{{ row.word }}</span>
      <span v-else-if="row.state === 'amber'" class="what">Four fifths of it are gone.</span>
    </div>
    <p v-if="rows.length === 0" class="none quiet">
      {{
        finished ? 'No clock runs any more.' : 'No clock runs yet. It starts when the parts meet.'
      }}
    </p>
    <ul v-if="said.length > 0" class="said" aria-live="assertive" aria-label="Said">
      <li v-for="one in said.slice(0, 3)" :key="one.at + one.text" :class="{ urgent: one.urgent }">
        {{ one.text }}
      </li>
    </ul>
  </section>
</template>

<style scoped>
.clocks {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 18px 20px;
  overflow: hidden auto;
  scrollbar-width: none;
}

.clock {
  display: flex;
  flex-direction: column;
  gap: 4px;
  padding: 12px 16px;
  border: 1px solid transparent;
  border-radius: var(--r-large);
  background: var(--panel);
}

.name,
.what {
  color: var(--ink-2);
  font-size: var(--size);
}

b {
  font: 650 var(--bench-clock) / 1.15 var(--num);
  font-feature-settings: 'tnum';
  color: var(--teal);
}

.wait b {
  color: var(--ink);
}

.amber b {
  color: var(--honey);
}

.amber {
  border-color: var(--honey);
}

.red {
  border-color: var(--stop);
  background: var(--stop-soft);
}

.red b,
.red .what {
  color: var(--stop-ink);
}

.bar {
  height: 5px;
  border-radius: var(--r-round);
  background: var(--track);
  overflow: hidden;
}

.bar i {
  display: block;
  height: 100%;
  background: currentcolor;
}

.said {
  display: flex;
  flex-direction: column;
  gap: 6px;
  margin-top: auto;
  padding-top: 8px;
}

.said li {
  padding-left: 10px;
  border-left: 3px solid var(--line);
  color: var(--ink-2);
}

.said li:first-child {
  border-left-color: var(--honey);
  color: var(--ink);
}

.said .urgent {
  border-left-color: var(--stop);
}
</style>
