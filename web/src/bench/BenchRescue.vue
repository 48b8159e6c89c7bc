<script setup lang="ts">
import { computed, ref, type Component } from 'vue'
import { ElButton } from 'element-plus'
import {
  ArrowUpFromLine,
  Box,
  ChevronLeft,
  CircleDashed,
  Droplets,
  FlaskConical,
  Flame,
  Gauge,
  Hourglass,
  Scale,
  Sparkles,
  Timer,
  Waves,
} from 'lucide-vue-next'
import { mishapsNow, toTopUp, type Mishap, type MishapRemedy } from '@mivro/core/work/bench'
import { mishapWords, remedyWords, sayMishap, sayTopUp } from '@mivro/words/mishap'
import { useStudio } from '../project/studioStore.ts'
import QuantityField from '../ui/QuantityField.vue'
import BenchKey from './BenchKey.vue'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'

/** Something went wrong: which case it is, and what is done about it. The clocks stay in sight. */
const props = defineProps<{ open: UseBench; instruments: UseInstruments }>()
const emit = defineEmits<{
  wrong: [wrong: { mishap: Mishap; did: MishapRemedy; mix?: number }]
  close: []
}>()
const studio = useStudio()
const pictures: Record<Mishap, Component> = {
  'seam leaks': Droplets,
  'not filled': CircleDashed,
  'turns to syrup': Timer,
  'slow cure': Hourglass,
  'too much of a part': Scale,
  'cup smokes': Flame,
  'pressure lost': Gauge,
  'master rises': ArrowUpFromLine,
  'silicone short': FlaskConical,
  'box leaks': Box,
  'froths over': Waves,
  'splash in the vessel': Sparkles,
}
const cases = computed(() => mishapsNow(props.open.bench.value!, props.instruments.now.value))
const chosen = ref<Mishap>()
const now = computed(() => cases.value.find(({ mishap }) => mishap === chosen.value))
/** How much of a master is still bare, m. */
const bare = ref<number>()
const covers = computed(() =>
  bare.value === undefined ? undefined : toTopUp(props.open.bench.value!, bare.value),
)
const asksHeight = computed(
  () => chosen.value === 'silicone short' && toTopUp(props.open.bench.value!, 0) !== undefined,
)
function did(remedy: MishapRemedy): void {
  emit('wrong', { mishap: now.value!.mishap, did: remedy, mix: now.value!.mix })
  emit('close')
}
</script>

<template>
  <section class="rescue" aria-label="Something is wrong">
    <header class="row">
      <ElButton
        class="back"
        size="large"
        @click="chosen === undefined ? emit('close') : (chosen = undefined)"
      >
        <ChevronLeft :size="20" aria-hidden="true" />{{ chosen ? 'All cases' : 'Back to the task' }}
      </ElButton>
      <h2>{{ chosen ? mishapWords[chosen].label : 'What is wrong?' }}</h2>
    </header>
    <p v-if="cases.length === 0" class="lead">
      Nothing is mixed yet. What can go wrong then comes later.
    </p>
    <ul v-else-if="!now" class="cases">
      <li v-for="one in cases" :key="one.mishap">
        <ElButton class="case" :class="{ likely: one.likely }" @click="chosen = one.mishap">
          <component :is="pictures[one.mishap]" :size="34" aria-hidden="true" />
          <span>
            <b>{{ mishapWords[one.mishap].label }}</b>
            <small>{{ mishapWords[one.mishap].seen }}</small>
          </span>
        </ElButton>
      </li>
    </ul>
    <template v-if="now">
      <p v-for="line in sayMishap(now, studio.units)" :key="line" class="lead" data-known>
        {{ line }}
      </p>
      <div v-if="asksHeight" class="bare">
        <QuantityField
          label="How much of it is bare"
          kind="length"
          optional
          :value="bare"
          :take="(height) => void (bare = height)"
        />
        <p v-if="covers" class="lead" role="status">{{ sayTopUp(covers, studio.units) }}</p>
      </div>
      <div class="remedies">
        <BenchKey
          v-for="remedy in now.remedies"
          :key="remedy"
          :label="remedyWords[remedy].label"
          :hint="remedyWords[remedy].how"
          @press="did(remedy)"
        />
      </div>
      <p class="quiet">
        {{
          open.bench.value!.of.what === 'run'
            ? 'What you press is written into the log, with its time.'
            : 'What you press stands with the steps of the mould, with its time.'
        }}
      </p>
    </template>
  </section>
</template>

<style scoped>
.rescue {
  display: flex;
  flex-direction: column;
  gap: 16px;
  min-height: 0;
}

header.row {
  justify-content: flex-start;
  gap: 20px;
}

h2 {
  font: 650 var(--size-figure) / 1.15 var(--num);
}

.back.el-button {
  min-height: 52px;
}

.cases {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(250px, 1fr));
  gap: 10px;
}

.case.el-button {
  width: 100%;
  min-height: 84px;
  padding: 10px 16px;
  border-color: var(--line);
  border-radius: var(--r-large);
  background: var(--panel);
  color: var(--ink);
  white-space: normal;
  justify-content: flex-start;
  text-align: left;
}

.case.likely {
  border-color: var(--honey);
}

.case :deep(> span) {
  gap: 14px;
}

.case svg {
  flex: none;
  color: var(--honey);
}

.case b {
  display: block;
  font: 600 var(--bench-lead) / 1.2 var(--text);
}

.case small {
  font: 400 var(--size) / 1.3 var(--text);
  color: var(--ink-2);
}

.lead {
  font-size: var(--bench-lead);
}

.bare {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 24px;
  max-width: 640px;
}

.remedies {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(220px, 1fr));
  gap: 12px;
}
</style>
