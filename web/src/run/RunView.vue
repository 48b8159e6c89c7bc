<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { ElButton, ElSegmented } from 'element-plus'
import { useRoute, useRouter } from 'vue-router'
import { ClipboardList, Timer } from 'lucide-vue-next'
import { show } from '@mivro/core/base/units'
import { sayCaution } from '@mivro/words/caution'
import { sayLoad, sayRun, saySpare } from '@mivro/words/run'
import { openName } from '../project/openName.ts'
import { useStudio } from '../project/studioStore.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import EmptyPlace from '../ui/EmptyPlace.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useInTurn } from '../ui/useInTurn.ts'
import { useProblems } from '../ui/problems.ts'
import { useUndoOf } from '../ui/undo.ts'
import PotPlate from '../vessel/PotPlate.vue'
import CupsOfLoad from './CupsOfLoad.vue'
import LoadClock from './LoadClock.vue'
import MouldOrder from './MouldOrder.vue'
import RunPanel from './RunPanel.vue'
import SaveRunCalendar from './SaveRunCalendar.vue'
import { useBenches } from './useBenches.ts'
import { useRun } from './useRun.ts'

/** One run: its loads on the clock, the moulds in their order, the pot, and what it is planned with. */
const route = useRoute()
const router = useRouter()
const studio = useStudio()
const open = useRun()
const { run, compiled, known, tools, change } = open
const benches = useBenches(open)
const { problems, trying } = useProblems()
useUndoOf(() => [open.session.value])
onMounted(() => void known.load())
watch(
  () => String(route.params.run),
  (id) => {
    void open.open(id)
    void trying(() => benches.load(id))
  },
  { immediate: true },
)
watch(
  () => run.value?.name,
  (name) => (openName.value = name),
  { immediate: true },
)
onUnmounted(() => (openName.value = undefined))

const benchAt = (bench: string) => ({
  name: 'bench',
  params: { run: String(route.params.run), bench },
})
const beginning = ref(false)
async function carryOut(): Promise<void> {
  if (beginning.value) return
  beginning.value = true
  await trying(async () => {
    const bench = await benches.begin()
    await router.push(benchAt(bench))
  })
  beginning.value = false
}

const chosen = ref(0)
const load = computed(() => {
  const loads = compiled.value?.loads ?? []
  return loads[Math.min(chosen.value, loads.length - 1)]
})
const loads = computed(() =>
  (compiled.value?.loads ?? []).map((one) => ({
    value: one.index,
    label: sayLoad(one, studio.units),
  })),
)
/** What the run is, then what it is planned with. */
const built = useInTurn(() => run.value !== undefined, 2)
const usesPot = computed(() => run.value?.way === 'pressure' || run.value?.way === 'both')
const blocks = computed(() =>
  (load.value?.moulds ?? []).map(({ pour }) => ({ name: pour.name, ...pour.block })),
)
/** An order that was wished for one load is kept for all of them. */
function reorder(keys: string[]): void {
  const others = run.value!.order.filter((key) => !keys.includes(key))
  change({ order: [...keys, ...others] })
}
</script>

<template>
  <div class="page">
    <div class="title">
      <h1>{{ run?.name ?? 'Run' }}</h1>
      <p v-if="compiled" class="quiet" role="status">{{ sayRun(compiled) }}</p>
      <span class="gap grow" />
      <SaveRunCalendar
        v-if="run && compiled"
        :id="open.session.value!.id"
        :run="run"
        :loads="compiled.loads"
        :tools="tools"
      />
      <ElButton
        v-if="run"
        tag="router-link"
        :to="{ name: 'run-sheet', params: { run: String(route.params.run) } }"
      >
        <ClipboardList :size="15" aria-hidden="true" />Run sheet
      </ElButton>
      <ElButton
        v-if="benches.unfinished.value"
        tag="router-link"
        type="primary"
        :to="benchAt(benches.unfinished.value.id)"
      >
        <Timer :size="15" aria-hidden="true" />Go on at the bench
      </ElButton>
      <ElButton v-else-if="benches.ready.value" type="primary" @click="carryOut">
        <Timer :size="15" aria-hidden="true" />Carry out
      </ElButton>
    </div>
    <div class="split">
      <section class="backlit main" aria-label="The run">
        <ProblemNote
          v-for="problem in [...problems, ...open.notOpened.value, ...known.problems.value]"
          :key="problem.code"
          :problem="problem"
        />
        <p v-if="run && !open.ready.value" class="quiet waiting">Reading the pieces …</p>
        <template v-if="compiled && load">
          <div class="loads">
            <ElSegmented
              v-if="loads.length > 1 && loads.length <= 5"
              v-model="chosen"
              :options="loads"
              aria-label="Load"
            />
            <label v-else-if="loads.length > 5" class="many">
              <ElButton size="small" :disabled="load.index === 0" @click="chosen = load.index - 1"
                >Earlier load</ElButton
              >
              <b>{{ sayLoad(load, studio.units) }}</b>
              <span class="quiet">of {{ loads.length }}</span>
              <ElButton
                size="small"
                :disabled="load.index === loads.length - 1"
                @click="chosen = load.index + 1"
                >Later load</ElButton
              >
            </label>
            <b v-else>{{ sayLoad(load, studio.units) }}</b>
            <span class="spare" :class="{ tight: load.spare < 10 }">{{ saySpare(load) }}</span>
          </div>
          <LoadClock :load="load" :run="run!" />
          <div class="lower" :class="{ potted: usesPot && tools.pot }">
            <div class="stack">
              <div class="row ordered">
                <h2>Moulds of this load</h2>
                <span class="quiet small">in the order they are filled; drag one to change it</span>
              </div>
              <MouldOrder :load="load" @order="reorder" />
            </div>
            <CupsOfLoad class="cups" :load="load" />
            <figure v-if="usesPot && tools.pot" class="plate">
              <PotPlate
                :diameter="tools.pot.diameter"
                :items="blocks"
                label="The plate of the pot from above, with the moulds of this load"
              />
              <figcaption class="quiet small">
                The pot from above, {{ show(tools.pot.diameter, 'length', studio.units) }} across
              </figcaption>
            </figure>
          </div>
        </template>
        <template v-else-if="compiled">
          <CautionNotes :of="compiled.cautions.filter(({ code }) => code !== 'run-empty')" />
          <EmptyPlace
            v-if="compiled.cautions.every(({ code }) => code === 'run-empty')"
            title="What is cast?"
          >
            {{ sayCaution(compiled.cautions[0]) }} It shows how many moulds one cup fills before it
            goes, in which order, and when the lid is shut.
          </EmptyPlace>
        </template>
      </section>
      <RunPanel v-if="run && built > 1" :open="open" />
    </div>
  </div>
</template>

<style scoped>
.main {
  min-height: 0;
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 14px 16px;
  overflow: hidden auto;
  scrollbar-width: thin;
}

.waiting {
  margin: auto;
}

.loads,
.many {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px 14px;
}

.spare {
  margin-left: auto;
  padding: 3px 10px;
  border-radius: var(--r-round);
  background: var(--ok-soft);
  color: var(--ok-ink);
  font-weight: 600;
}

.spare.tight {
  background: var(--amber-soft);
  color: var(--amber-ink);
}

.lower {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 22px;
}

.lower.potted {
  grid-template-columns: minmax(0, 1fr) auto;
}

.plate > svg {
  height: 210px;
}

.ordered {
  align-items: baseline;
  gap: 10px;
}

.plate {
  grid-row: 1 / 3;
  grid-column: 2;
  width: 210px;
}

.plate .quiet {
  margin-top: 4px;
  text-align: center;
}

@media (max-width: 1180px) {
  .lower.potted {
    grid-template-columns: minmax(0, 1fr);
  }

  .plate {
    grid-row: auto;
    grid-column: auto;
    margin: 0 auto;
  }
}
</style>
