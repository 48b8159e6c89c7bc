<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, shallowRef } from 'vue'
import { bindingClock, clockAt, clocksOf, progressOf, type Bench } from '@mivro/core/work/bench'
import { showDuration } from '@mivro/core/base/units'
import { sayClock } from '@mivro/words/bench'
import { api } from '../api/client.ts'
import { forgetBench, type BenchUnderWay } from '../api/benchUnderWay.ts'

/** What runs at the bench, while another place is looked at. */
const props = defineProps<{ bench: BenchUnderWay }>()
const document = shallowRef<Bench>()
/** The bench's clock as it was asked, and when, on the page's even clock, ms. */
const clock = shallowRef<{ now: number; speed: number; at: number }>()
const page = ref(performance.now())

async function look(): Promise<void> {
  try {
    const [{ document: found }, { world, speed }] = await Promise.all([
      api.get('benches', props.bench.id),
      api.world(),
    ])
    document.value = found
    clock.value = { now: world.at, speed, at: performance.now() }
    if (!progressOf(found).finished) return
    forgetBench()
    document.value = undefined
  } catch {
    // The server is away or the bench is gone: nothing is said of it here.
    document.value = undefined
  }
}
const every = { look: 15_000, tick: 1000 }
const timers = [
  setInterval(look, every.look),
  setInterval(() => (page.value = performance.now()), every.tick),
]
onMounted(look)
onUnmounted(() => timers.forEach((timer) => clearInterval(timer)))

const now = computed(() => {
  const told = clock.value
  return told ? told.now + ((page.value - told.at) / 1000) * told.speed : 0
})
const next = computed(() => {
  const first = document.value && bindingClock(clocksOf(document.value))
  return first && clockAt(first, now.value)
})
const text = computed(() => {
  if (!next.value) return 'at the bench'
  const { left } = next.value
  return `${sayClock(next.value)}: ${left > 0 ? showDuration(left, left < 600 ? 'second' : 'minute') : 'now'}`
})
</script>

<template>
  <RouterLink v-if="document" class="running" :class="next?.state" :to="bench.path">
    <b>{{ document.name }}</b> {{ text }}
  </RouterLink>
</template>

<style scoped>
.running {
  overflow: hidden;
  max-width: 340px;
  padding: 4px 12px;
  border: 1px solid var(--bar-line);
  border-radius: var(--r-round);
  color: var(--bar-ink);
  font-feature-settings: 'tnum';
  text-decoration: none;
  text-overflow: ellipsis;
  white-space: nowrap;
}

.amber,
.red {
  border-color: var(--bar-warn-line);
  background: var(--bar-warn);
  color: var(--bar-warn-ink);
}
</style>
