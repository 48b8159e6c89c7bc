<script setup lang="ts">
import { computed, onMounted, onUnmounted, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { tickedOf } from '@mivro/core/work/bench'
import { sayHow, sayKey, sayLate, sayStand, sayTask } from '@mivro/words/bench'
import { sayProblem } from '@mivro/words/problem'
import { forgetBench, keepBench } from '../api/benchUnderWay.ts'
import { api } from '../api/client.ts'
import { openName } from '../project/openName.ts'
import { useStudio } from '../project/studioStore.ts'
import KeysDialog from '../ui/KeysDialog.vue'
import { useShortcuts } from '../ui/useShortcuts.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import BenchClocks from './BenchClocks.vue'
import BenchDone from './BenchDone.vue'
import BenchHead from './BenchHead.vue'
import BenchKey from './BenchKey.vue'
import BenchRescue from './BenchRescue.vue'
import BenchSafety from './BenchSafety.vue'
import BenchSteps from './BenchSteps.vue'
import LayOutTask from './LayOutTask.vue'
import MarksDialog from './MarksDialog.vue'
import NoteDialog from './NoteDialog.vue'
import TimedTask from './TimedTask.vue'
import TurnTask from './TurnTask.vue'
import { useAwake } from './useAwake.ts'
import { useBeat } from './useBeat.ts'
import { useBench } from './useBench.ts'
import { useBenchKeys } from './useBenchKeys.ts'
import { useInstruments } from './useInstruments.ts'
import { useLamps } from './useLamps.ts'
import { useLog } from './useLog.ts'
import { usePictures } from './usePictures.ts'
import { useVoice } from './useVoice.ts'
import { useWeighing } from './useWeighing.ts'
import WeighTask from './WeighTask.vue'
import WorldPanel from './WorldPanel.vue'

/** A run as it is carried out: one task, one large key, and all clocks. */
const route = useRoute()
const router = useRouter()
const studio = useStudio()
const instruments = useInstruments()
const open = useBench(instruments)
const { bench, progress, task, unread, clocks, late, begun, busy } = open
const weighing = useWeighing(open, instruments)
const pictures = usePictures(bench)
const awake = useAwake()
const speaks = ref(true)
const said = useVoice(open.cues, instruments.now, { speaks, ends: () => progress.value?.finished })
const beats = useBeat(open, speaks)
const log = useLog(open)
watch(
  () => String(route.params.bench),
  (id) => void open.open(id),
  { immediate: true },
)
watch(instruments.changed, async (changed) => {
  const session = open.session.value
  if (!changed || !session || changed.bench !== session.id) return
  if (changed.revision > session.revision) session.follow(await api.get('benches', session.id))
})

const marks = ref(false)
const noting = ref(false)
const world = ref(false)
const help = ref(false)
/** Something went wrong: its cases lie over the task. */
const rescue = ref(false)
const press = useBenchKeys({ open, instruments, weighing })
const { message } = press
/** The cup that was mixed last is the one that is felt. */
const feltMix = computed(() => [...(progress.value?.met.keys() ?? [])].at(-1))

onMounted(() => (document.documentElement.dataset.theme = 'bench'))
onUnmounted(() => {
  delete document.documentElement.dataset.theme
  openName.value = undefined
})
watch(
  () => bench.value?.name,
  (name) => (openName.value = name),
)
watch(
  () => progress.value?.finished,
  (finished) => {
    if (finished === undefined) return
    if (finished) forgetBench()
    else keepBench({ id: open.session.value!.id, path: route.path })
  },
)

/** Where the work was planned. */
const planned = computed(() =>
  route.params.run === undefined
    ? { name: 'mould', params: { id: String(route.params.id), topic: 'silicone' } }
    : { name: 'run', params: { run: String(route.params.run) } },
)
const leave = () => router.push(planned.value)
const shortcuts = useShortcuts([
  {
    keys: ['Space', 'Enter', 'PageDown'],
    says: 'the large key; also Enter and a pedal’s Page Down',
    act: () => (rescue.value ? false : press.main()),
  },
  { keys: ['Backspace'], says: 'take the last step back', act: press.undo },
  { keys: ['t'], says: 'tare the scale', act: press.tare },
  { keys: ['k'], says: 'take the weight as it is', act: press.takeAsItIs },
  { keys: ['x'], says: 'it was the other bottle', act: press.otherBottle },
  { keys: ['h'], says: 'weigh by hand, or by the scale again', act: press.byHand },
  {
    keys: ['m'],
    says: 'how a cup feels: syrup, gel, hottest, hard',
    act: () => feltMix.value !== undefined && (marks.value = true),
  },
  { keys: ['r'], says: 'something is wrong', act: () => (rescue.value = !rescue.value) },
  { keys: ['Escape'], says: 'back to the task', act: () => (rescue.value = false) },
  { keys: ['n'], says: 'note or photo', act: () => (noting.value = true) },
  { keys: ['s'], says: 'leave this step out', act: press.skip },
  { keys: ['p'], says: 'after its pour time: it still pours', act: press.stillPours },
  { keys: ['l'], says: 'after its pour time: the cup is lost', act: press.lost },
  { keys: ['v'], says: 'voice on or off', act: () => (speaks.value = !speaks.value) },
  { keys: ['w'], says: 'the simulated world', act: () => (world.value = !world.value) },
  { keys: ['?'], act: () => (help.value = true) },
])

const context = computed(() => {
  const { tasks, done } = progress.value ?? { tasks: [], done: new Set() }
  const loads = new Set(tasks.map(({ load }) => load)).size
  const load = task.value && loads > 1 ? `load ${task.value.load + 1} · ` : ''
  return load + sayStand({ done: tasks.filter(({ id }) => done.has(id)).length, of: tasks.length })
})
const toTick = computed(() =>
  task.value?.what === 'lay out' && bench.value
    ? task.value.items.length - tickedOf(bench.value, task.value).size
    : 0,
)
const lamps = useLamps(open, instruments, weighing)
const mainLabel = computed(() => {
  if (late.value) return 'It is lost'
  if (!task.value) return ''
  if (unread.value.length > 0) return 'I have read it'
  if (weighing.toPlace.value) return 'The cup is on: tare'
  return sayKey(task.value, begun.value, toTick.value)
})
const mainHint = computed(() =>
  weighing.task.value && !weighing.toPlace.value && unread.value.length === 0
    ? 'Space, or hold steady for 3 s'
    : 'Space',
)
watch(
  () => weighing.held.value,
  (held) => held && press.steady(),
)
</script>

<template>
  <main
    class="bench"
    :data-task="bench ? (task?.what ?? 'done') : 'opening'"
    :data-task-id="task?.id"
    :data-beats="beats || undefined"
    :data-listens="press.listens.value || undefined"
  >
    <BenchHead
      v-model:speaks="speaks"
      :name="bench?.name ?? 'Bench'"
      :context="context"
      :lamps="lamps"
      @world="world = !world"
      @help="help = true"
      @leave="leave"
    />
    <BenchSteps v-if="progress" :progress="progress" />
    <section class="now" aria-label="What to do" tabindex="0">
      <ProblemNote v-for="problem in open.problems.value" :key="problem.code" :problem="problem" />
      <BenchRescue
        v-if="rescue && bench"
        :open="open"
        :instruments="instruments"
        @wrong="press.wrong"
        @close="rescue = false"
      />
      <template v-else-if="late">
        <h2>Is cup {{ late.mix + 1 }} lost?</h2>
        <p class="lead">{{ sayLate(late) }} What is not poured by now would not run into a tip.</p>
      </template>
      <BenchDone
        v-else-if="bench && progress?.finished"
        :bench="bench"
        :written="log.written.value"
        :problems="log.problems.value"
        :back="planned"
      />
      <template v-else-if="bench && task">
        <h2>{{ sayTask(task, studio.units) }}</h2>
        <p class="lead quiet">{{ sayHow(task, studio.units) }}</p>
        <BenchSafety v-if="unread.length > 0" :lines="unread" />
        <LayOutTask
          v-else-if="task.what === 'lay out'"
          :bench="bench"
          :task="task"
          :instruments="instruments"
          @tick="press.tick"
        />
        <WeighTask
          v-else-if="task.what === 'weigh'"
          :bench="bench"
          :weighing="weighing"
          :refusal="instruments.refusals.scale"
          @other-bottle="press.otherBottle"
        />
        <TurnTask
          v-else-if="task.what === 'turn'"
          :task="task"
          :open="open"
          :now="instruments.now.value"
        />
        <TimedTask
          v-else
          :task="task"
          :open="open"
          :instruments="instruments"
          :pictures="pictures"
        />
      </template>
      <p v-if="message" class="message" role="alert">{{ message }}</p>
      <p v-if="open.overtaken.value > 0" class="message" role="status">
        Another bench went on with this run: what was recorded there holds.
      </p>
      <p v-if="instruments.clockSet.value !== 0" class="message" role="status">
        The clock of this machine was set. The bench goes on by its own.
      </p>
      <p v-for="problem in open.session.value?.refused ?? []" :key="problem.code" class="message">
        {{ sayProblem(problem) }}
      </p>
    </section>
    <BenchClocks :clocks="clocks" :said="said" :finished="progress?.finished ?? false" />
    <footer>
      <BenchKey label="Undo" hint="Backspace" @press="press.undo" />
      <BenchKey v-if="late" label="It still pours" hint="P" @press="press.stillPours" />
      <template v-else>
        <BenchKey v-if="weighing.task.value" label="Tare" hint="T" @press="press.tare" />
        <BenchKey
          v-if="
            weighing.task.value &&
            weighing.now.value?.weighed.state === 'pouring' &&
            !weighing.toPlace.value
          "
          label="Take it as it is"
          hint="K"
          @press="press.takeAsItIs"
        />
        <BenchKey
          v-if="weighing.task.value"
          :label="weighing.byHand.value ? 'By the scale' : 'By hand'"
          hint="H"
          @press="press.byHand"
        />
        <BenchKey
          v-if="!weighing.task.value && feltMix !== undefined"
          label="How it feels"
          hint="M"
          @press="marks = true"
        />
        <BenchKey label="Something is wrong" hint="R" @press="rescue = !rescue" />
        <BenchKey label="Note or photo" hint="N" @press="noting = true" />
      </template>
      <BenchKey
        v-if="(task || late) && !rescue"
        main
        :label="mainLabel"
        :hint="late ? 'L' : mainHint"
        @press="press.main"
      />
    </footer>
    <WorldPanel v-model="world" :open="open" :instruments="instruments" :weighing="weighing" />
    <MarksDialog
      v-if="feltMix !== undefined"
      v-model="marks"
      :mix="feltMix"
      @mark="press.touch(feltMix, $event)"
    />
    <NoteDialog v-model="noting" :busy="busy" @note="press.note" />
    <KeysDialog v-model="help" :shortcuts="shortcuts" />
    <span class="awake" :data-awake="awake" />
  </main>
</template>

<style scoped>
.bench {
  position: fixed;
  inset: 0;
  display: grid;
  grid-template: 60px minmax(0, 1fr) auto / 290px minmax(0, 1fr) 290px;
  background: var(--ground);
  color: var(--ink);
  font-size: var(--bench-text);
}

.bench > .steps {
  border-right: 1px solid var(--line);
}

.bench > .clocks {
  border-left: 1px solid var(--line);
}

.now {
  display: flex;
  flex-direction: column;
  gap: 14px;
  min-height: 0;
  padding: 22px 36px 16px;
  overflow: hidden auto;
  scrollbar-width: thin;
}

.now:focus-visible,
.bench :deep(.steps:focus-visible),
.bench :deep(.clocks:focus-visible) {
  outline-offset: -3px;
}

h2 {
  font: 650 var(--size-figure) / 1.15 var(--num);
}

.lead {
  font-size: var(--bench-lead);
}

.message {
  padding: 12px 16px;
  border: 1px solid var(--honey);
  border-radius: var(--r);
  color: var(--amber-ink);
  background: var(--amber-soft);
}

footer {
  grid-column: 1 / 4;
  display: flex;
  gap: 14px;
  padding: 14px 22px;
  border-top: 1px solid var(--line);
}

.awake {
  display: none;
}

@media (max-width: 1180px) {
  .bench {
    grid-template-columns: 220px minmax(0, 1fr) 230px;
  }

  .now {
    padding: 18px 22px 12px;
  }
}

/* A tablet upright: the task on top, clocks and steps side by side under it. */
@media (max-width: 900px) {
  .bench {
    grid-template: 60px minmax(0, 1.5fr) minmax(0, 1fr) auto / minmax(0, 1fr) minmax(0, 1fr);
  }

  .bench > header,
  .now,
  footer {
    grid-column: 1 / 3;
  }

  .now {
    order: 1;
    border-bottom: 1px solid var(--line);
  }

  .bench > .steps {
    order: 2;
  }

  .bench > .clocks {
    order: 3;
  }

  footer {
    order: 4;
    gap: 8px;
    padding: 12px;
  }
}
</style>
