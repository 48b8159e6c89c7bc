<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { ElButton, ElDrawer, ElOption, ElSegmented, ElSelect } from 'element-plus'
import type { Task } from '@mivro/core/work/bench'
import {
  failures,
  instrumentNames,
  type Act,
  type Failure,
  type InstrumentName,
} from '@mivro/core/work/instrument'
import { readDocument } from '@mivro/core/base/document'
import { materialSchema, type Resin } from '@mivro/core/matter/material'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { api } from '../api/client.ts'
import { useShelf } from '../project/shelfStore.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'
import type { UseWeighing } from './useWeighing.ts'

/** Plays the world around the simulated instruments: what hands would do, and what goes wrong. */
const props = defineProps<{
  open: UseBench
  instruments: UseInstruments
  weighing: UseWeighing
}>()
const shown = defineModel<boolean>({ required: true })
const shelf = useShelf()
const problems = shallowRef<readonly Problem[]>([])

/** Where the bench is, so that cups of another are not mistaken for its own. */
const cup = (kind: 'mixing cup' | 'own cup', mix: number) =>
  `${props.open.session.value!.id.slice(0, 24)} ${kind} ${mix + 1}`
const task = computed(() => props.open.task.value)

async function act(done: Act, resin?: Resin): Promise<void> {
  try {
    await api.act(done, resin)
    problems.value = []
  } catch (error) {
    problems.value = problemsOf(error)
  }
}

const weigh = computed(() => (task.value?.what === 'weigh' ? task.value : undefined))
const put = () => act({ do: 'put', cup: cup(weigh.value!.apart, weigh.value!.mix) })
const pour = (mass: number, flow = 0.02) => act({ do: 'pour', part: weigh.value!.key, mass, flow })
const toGo = computed(() => props.weighing.now.value?.weighed.toGo ?? 0)
/** How much past the mark a slip goes, kg. */
const slip = 0.002

function resinOf(of: Task): Resin | undefined {
  if (!('mix' in of)) return undefined
  const names = new Set(
    props.open.bench.value!.tasks.flatMap((one) =>
      one.what === 'weigh' && one.mix === of.mix ? [one.name] : [],
    ),
  )
  const found = [...shelf.materials.values()].find(
    (one) => one.kind === 'resin' && names.has(one.nameA) && names.has(one.nameB),
  )
  return found?.kind === 'resin' ? (readDocument(materialSchema, found) as Resin) : undefined
}
async function join(): Promise<void> {
  const { mix } = task.value as Extract<Task, { mix: number }>
  if (!shelf.loaded) await shelf.load()
  const into = cup('mixing cup', mix)
  const apart = props.open.bench.value!.tasks.some(
    (one) => one.what === 'weigh' && one.mix === mix && one.apart === 'own cup',
  )
  await act({ do: 'join', from: apart ? cup('own cup', mix) : into, into }, resinOf(task.value!))
}
const empty = (mass: number, mix: number) => act({ do: 'empty', cup: cup('mixing cup', mix), mass })

const speeds = [1, 10, 60].map((value) => ({ value, label: `${value} ×` }))
const speed = computed(() => props.instruments.told.value?.speed ?? 1)
const ill = ref<InstrumentName>('scale')
const how = ref<Failure | ''>('')
const fail = () => act({ do: 'fail', instrument: ill.value, how: how.value || null })
const heal = () => act({ do: 'fail', instrument: ill.value, how: null })
</script>

<template>
  <ElDrawer
    v-model="shown"
    title="The world, simulated"
    direction="ltr"
    :size="290"
    :modal="false"
    modal-penetrable
    :lock-scroll="false"
    class="world-drawer"
  >
    <div class="world">
      <p class="quiet">
        Instruments here are stand-ins. This panel does to them what hands would do at the bench.
      </p>
      <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
      <section v-if="weigh">
        <h2>On the scale</h2>
        <ElButton @click="put">Put the cup on</ElButton>
        <ElButton @click="pour(Math.max(0, toGo))">Pour to the mark</ElButton>
        <ElButton @click="pour(0.001)">Pour 1 g</ElButton>
        <ElButton @click="pour(Math.max(0, toGo) + slip)">Pour 2 g too much</ElButton>
        <ElButton @click="act({ do: 'pour', part: weigh.key, mass: 1, flow: 0.004 })"
          >Open the tap</ElButton
        >
        <ElButton @click="act({ do: 'stop' })">Shut the tap</ElButton>
        <ElButton @click="act({ do: 'wake' })">Wake the scale</ElButton>
      </section>
      <section v-if="task && task.what === 'mix'">
        <h2>In the cup</h2>
        <ElButton @click="join">Pour the parts together</ElButton>
      </section>
      <section v-if="task && task.what === 'fill'">
        <h2>From the cup</h2>
        <ElButton @click="empty(task.mass, task.mix)">Fill this mould</ElButton>
      </section>
      <section>
        <h2>The pot</h2>
        <ElButton @click="act({ do: 'lid', to: 'shut' })">Shut the lid</ElButton>
        <ElButton @click="act({ do: 'valve', to: 'shut' })">Shut the valve</ElButton>
        <ElButton
          @click="
            act({
              do: 'compressor',
              gauge: task && 'gauge' in task && task.what === 'lid' ? task.gauge : 2.8e5,
            })
          "
          >Compressor on</ElButton
        >
        <ElButton @click="act({ do: 'compressor', gauge: 0 })">Compressor off</ElButton>
        <ElButton @click="act({ do: 'valve', to: 'open' })">Open the valve</ElButton>
        <ElButton @click="act({ do: 'lid', to: 'open' })">Open the lid</ElButton>
      </section>
      <section v-if="task && task.what === 'vacuum'">
        <h2>The vacuum vessel</h2>
        <ElButton @click="act({ do: 'inlet', to: 'shut' })">Shut the inlet</ElButton>
        <ElButton @click="act({ do: 'pump', to: 'on' })">Pump on</ElButton>
        <ElButton @click="act({ do: 'pump', to: 'off' })">Pump off</ElButton>
        <ElButton @click="act({ do: 'inlet', to: 'open' })">Let air in</ElButton>
      </section>
      <section>
        <h2>Time</h2>
        <ElSegmented
          :model-value="speed"
          :options="speeds"
          aria-label="How fast time runs"
          @update:model-value="api.runAt(Number($event))"
        />
        <ElButton @click="api.setRight()">Back to the time of day</ElButton>
      </section>
      <section>
        <h2>What goes wrong</h2>
        <ElButton @click="act({ do: 'knock' })">Knock the table</ElButton>
        <ElSelect v-model="ill" :persistent="false" aria-label="Instrument">
          <ElOption v-for="name in instrumentNames" :key="name" :value="name" :label="name" />
        </ElSelect>
        <ElSelect
          v-model="how"
          :persistent="false"
          aria-label="How it fails"
          placeholder="fails how"
        >
          <ElOption v-for="name in failures" :key="name" :value="name" :label="name" />
        </ElSelect>
        <ElButton :disabled="!how" @click="fail">Let it fail</ElButton>
        <ElButton @click="heal">It works again</ElButton>
      </section>
    </div>
  </ElDrawer>
</template>

<style>
/* The keys below it stay in reach. */
.el-drawer.world-drawer.ltr {
  height: calc(100% - 113px);
}
</style>

<style scoped>
.world,
section {
  display: flex;
  flex-direction: column;
  gap: 16px;
}

section {
  flex-flow: row wrap;
  gap: 8px;
}

h2 {
  flex-basis: 100%;
}

section .el-button {
  min-height: 40px;
}
</style>
