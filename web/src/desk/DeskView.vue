<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { ElButton, ElTable, ElTableColumn } from 'element-plus'
import { useRoute } from 'vue-router'
import { workingLaw, workingTime } from '@mivro/core/matter/cure'
import {
  batchError,
  displayStep,
  masterBatch,
  ratioTolerance,
  smallestBatch,
  weightShares,
} from '@mivro/core/matter/mix'
import { resinClasses } from '@mivro/core/matter/material'
import { safetyFor, type Hazard } from '@mivro/core/base/caution'
import { figure, scaleUnits, show, showCup, showDuration, unitSymbol } from '@mivro/core/base/units'
import { sayStirring } from '@mivro/words/sheet'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import SelectField from '../ui/SelectField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QuantityField from '../ui/QuantityField.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import { askTimes } from '../work/pool.ts'
import CupPicture from './CupPicture.vue'
import { useDesk } from '../weigh/deskStore.ts'
import DropBook from './DropBook.vue'
import MixPanel from './MixPanel.vue'
import PastTheMark from '../weigh/PastTheMark.vue'

const desk = useDesk()
const shelf = useShelf()
const studio = useStudio()
const route = useRoute()
const { problems, trying } = useProblems()

onMounted(() =>
  trying(async () => {
    await shelf.load()
    if (route.query.of) desk.choose(String(route.query.of))
    desk.materialId ??= shelf.stored.find(({ document }) => document.kind === 'resin')?.id
  }),
)

/** What a scale shows is read in the unit that its steps are round in. */
const scale = computed(() => scaleUnits(desk.step, studio.units))
const grams = (kg: number) => figure(kg, 'mass', scale.value, { step: displayStep(kg, desk.step) })
const shown = (kg: number) => show(kg, 'mass', scale.value, { step: displayStep(kg, desk.step) })
/** What the scale shows with all before it in the cup. */
const readings = computed(() => {
  let sum = 0
  return desk.portions.portions.map(({ mass }) => (sum += mass))
})

const palette = ['part-a', 'part-b', 'extra-1', 'extra-2', 'extra-3'].map(
  (name) => `var(--${name})`,
)
const colours = computed(() => {
  let extra = 1
  return desk.portions.portions.map(({ what }) =>
    what === 'A' ? palette[0] : what === 'B' ? palette[1] : palette[++extra % palette.length],
  )
})

const shares = computed(() => weightShares(desk.mix.ratio, desk.mix))
const smallest = computed(() => smallestBatch(shares.value, desk.step, ratioTolerance))
const error = computed(() => {
  const of = (what: string) => desk.portions.portions.find((p) => p.what === what)!.mass
  return batchError(of('A'), of('B'), desk.step)
})
/** What is too little for this scale, and how to weigh it all the same. */
const thinned = computed(() =>
  desk.portions.portions.flatMap((portion) => {
    const found = masterBatch(portion.mass, desk.step)
    const into =
      desk.extras.find(({ id }) => id === portion.what)?.of === 'B'
        ? desk.mix.nameB
        : desk.mix.nameA
    return found && portion.what !== 'A' && portion.what !== 'B'
      ? [{ portion, into, ...found }]
      : []
  }),
)

/** How long it pours in this room, by the model of its cure. */
const pours = shallowRef<number>()
watch(
  () => [desk.material, desk.portions.mass, desk.room] as const,
  async ([material, mass, room]) => {
    if (material?.kind === 'silicone') {
      pours.value = workingTime(workingLaw(material), room)
      return
    }
    if (material?.kind !== 'resin') return (pours.value = undefined)
    const [found] = await askTimes([
      { resin: material, room, mass: Math.max(1e-4, mass), depth: 0.005 },
    ])
    if (desk.material === material && desk.portions.mass === mass) pours.value = found.pourable
  },
  { immediate: true },
)
const hazards = computed((): Hazard[] => {
  const found: Hazard[] = []
  const { material } = desk
  if (material?.kind === 'resin') found.push(resinClasses[material.class].hazard)
  if (material?.kind === 'silicone') found.push('any silicone')
  if (desk.extras.some(({ density }) => density > 2000)) found.push('powder')
  return found
})
const cups = computed(() => [
  {
    value: '-',
    label: `${showCup(desk.portions.cup.size, studio.units)}, fits`,
  },
  ...desk.cupSizes.map((size) => ({
    value: String(size),
    label: showCup(size, studio.units),
  })),
])
const rows = computed(() =>
  desk.portions.portions.map((portion, i) => ({
    ...portion,
    colour: colours.value[i],
    reading: readings.value[i],
  })),
)
const sums = () => [
  'All together',
  grams(desk.portions.mass),
  figure(desk.portions.volume, 'volume', studio.units),
  '',
  '',
]
const refill = ref(0)
function empty(): void {
  desk.emptyCup()
  refill.value++
}
</script>

<template>
  <div class="page">
    <h1>Mixing</h1>
    <div class="columns">
      <MixPanel />
      <section class="panel weigh" aria-label="What to weigh">
        <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
        <SafetyLines before="Before you weigh" :lines="safetyFor('weigh', hazards)" />
        <ElTable
          :data="rows"
          table-layout="auto"
          show-summary
          :summary-method="sums"
          :row-class-name="({ row }) => `part-${row.what}`"
        >
          <ElTableColumn v-slot="{ row }" label="Weigh in this order" min-width="120">
            <i :style="{ background: row.colour }" />{{ row.name }}
          </ElTableColumn>
          <ElTableColumn
            v-slot="{ row }"
            min-width="40"
            :label="unitSymbol('mass', scale) === 'g' ? 'grams' : 'ounces'"
            align="right"
            class-name="num big"
          >
            {{ grams(row.mass) }}
          </ElTableColumn>
          <ElTableColumn
            v-slot="{ row }"
            min-width="40"
            :label="unitSymbol('volume', studio.units)"
            align="right"
            class-name="num"
          >
            {{ figure(row.volume, 'volume', studio.units) }}
          </ElTableColumn>
          <ElTableColumn
            v-slot="{ row }"
            min-width="40"
            label="scale shows"
            align="right"
            class-name="num"
          >
            {{ figure(row.reading, 'mass', scale, { step: desk.step }) }}
          </ElTableColumn>
          <ElTableColumn v-slot="{ row }" min-width="40" label="in the cup" align="right">
            <QuantityField
              :key="`${row.what}-${refill}`"
              bare
              optional
              :label="`${row.name} that is in the cup`"
              kind="mass"
              :step="desk.step"
              placeholder="–"
              :value="desk.inCup[row.what]"
              :take="(mass) => desk.pour(row.what, mass)"
            />
          </ElTableColumn>
        </ElTable>
        <div class="cup">
          <CupPicture :portions="desk.portions.portions" :size="desk.cupSize" :colours="colours" />
          <div class="filled">
            <div class="row">
              <h2>In the cup</h2>
              <ElButton link type="primary" @click="empty">Empty the cup</ElButton>
            </div>
            <PastTheMark
              :check="desk.check"
              :step="desk.step"
              :cup-size="desk.cupSize"
              :wanted="desk.portions.volume"
              :needed="desk.needed"
            />

            <div class="facts">
              <SelectField
                label="Cup"
                :options="cups"
                :value="desk.chosenCup === undefined ? '-' : String(desk.chosenCup)"
                @choose="desk.chosenCup = $event === '-' ? undefined : Number($event)"
              />
              <p v-if="pours !== undefined" class="pours">
                Pours for<b class="num">{{ showDuration(pours) }}</b>
              </p>
              <QuantityField
                label="Room"
                kind="temperature"
                :value="desk.room"
                :take="desk.roomOf"
              />
            </div>
          </div>
        </div>
        <p class="reminder">
          {{ sayStirring(desk.material) }}
        </p>
      </section>
      <aside class="panel aside" aria-label="Scale and drops">
        <section class="scale stack-8" aria-label="The scale">
          <h2>What this scale can do</h2>
          <p>
            It reads to {{ show(desk.step, 'mass', scale, { step: desk.step }) }}: this batch holds
            its ratio to <b class="num">{{ show(error, 'fraction', studio.units) }}</b>.
            <template v-if="error > ratioTolerance">
              From <b class="num">{{ shown(smallest) }}</b> on it stays within
              {{ show(ratioTolerance, 'fraction', studio.units) }}: mix that much and use the rest,
              or take a finer scale.
            </template>
            <template v-else> The smallest that does is {{ shown(smallest) }}. </template>
          </p>
          <p v-for="one in thinned" :key="one.portion.what" class="thin">
            <b>{{ one.portion.name }}, {{ shown(one.portion.mass) }}</b> is too little for it. Stir
            <b class="num">{{ shown(one.active) }}</b> into
            <b class="num">{{ shown(one.carrier) }}</b> of {{ one.into
            }}<template v-if="one.times > 1">, and that 1 to 10 again</template>, use
            <b class="num">{{ shown(one.use) }}</b> of it, and take
            {{ shown(one.carrierUsed) }} less of {{ one.into }}.
          </p>
        </section>
        <DropBook
          :wanted="
            desk.extras.find(({ density }) => density < 2000)?.id
              ? thinned[0]?.portion.mass
              : undefined
          "
        />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: 318px minmax(0, 1fr) 318px;
  gap: 14px;
  min-height: 0;
}

@media (max-width: 1180px) {
  .columns {
    grid-template-columns: 290px minmax(0, 1fr);
    grid-auto-rows: max-content;
    overflow: auto;
  }

  .columns > .aside {
    grid-column: 1 / -1;
    display: grid;
    grid-template-columns: repeat(3, minmax(0, 1fr));
    gap: 28px;
  }
}

@media (max-width: 900px) {
  .columns,
  .columns > .aside {
    grid-template-columns: minmax(0, 1fr);
  }
}

.weigh,
.aside {
  display: flex;
  flex-direction: column;
  gap: 14px;
  padding: 14px 16px;
  overflow: hidden auto;
}

.weigh > *,
.aside > * {
  flex: none;
}

.weigh :deep(td.big) {
  font: 650 var(--size-figure) var(--num);
}

.weigh :deep(td i) {
  display: inline-block;
  width: 12px;
  height: 12px;
  margin-right: 8px;
  border: 1px solid var(--shade);
  border-radius: var(--r-small);
  vertical-align: -1px;
}

.reminder {
  margin-top: auto;
  padding: 10px 12px;
  border-left: 3px solid var(--teal);
  background: var(--teal-soft);
}

.cup {
  display: grid;
  grid-template-columns: 188px minmax(0, 1fr);
  gap: 20px;
  align-items: start;
  padding-top: 6px;
}

.filled {
  display: flex;
  flex-direction: column;
  gap: 14px;
}

.facts {
  display: grid;
  grid-template-columns: minmax(0, 3fr) minmax(0, 2fr);
  gap: 14px 20px;
  align-items: start;
}

.facts :deep(.field-row) {
  display: block;
}

.facts :deep(.el-select.line),
.facts :deep(.el-input.line) {
  width: 100%;
}

.pours b {
  display: block;
  font-size: var(--size-lead);
}

.thin {
  padding: 8px 12px;
  border-left: 3px solid var(--honey);
  background: var(--amber-soft);
  color: var(--amber-ink);
}
</style>
