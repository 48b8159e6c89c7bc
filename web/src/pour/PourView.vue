<script setup lang="ts">
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { ElButton } from 'element-plus'
import { movePour, type PourMoment } from '@mivro/core/work/plan'
import { CircleHelp, Plus, RotateCw, Scissors, Trash2 } from 'lucide-vue-next'
import { thingsToSee, usualDay } from '@mivro/core/work/plan'
import { useHeat } from '../heat/useHeat.ts'
import FirstSteps from '../project/FirstSteps.vue'
import { led } from '../project/firstVisit.ts'
import ClockStrip from '../clock/ClockStrip.vue'
import Cutaway from '../cutaway/Cutaway.vue'
import { useArrangement } from '../project/useArrangement.ts'
import { useProject } from '../project/projectStore.ts'
import { undoHelp, useShortcuts } from '../ui/useShortcuts.ts'
import { useInTurn } from '../ui/useInTurn.ts'
import KeysDialog from '../ui/KeysDialog.vue'
import ToolButton from '../ui/ToolButton.vue'
import LayerPanel from './LayerPanel.vue'
import PlanPanel from './PlanPanel.vue'
import { useBubbles } from './air/useBubbles.ts'
import { useHollow } from './useHollow.ts'
import { useLayers } from './useLayers.ts'
import { useLenses } from './useLenses.ts'
import WordFromLastTime from './WordFromLastTime.vue'
import Tip from '../ui/Tip.vue'

const HeatCut = defineAsyncComponent(() => import('../heat/HeatCut.vue'))
const ColourView = defineAsyncComponent(() => import('./colour/ColourView.vue'))
const ColourPanel = defineAsyncComponent(() => import('./colour/ColourPanel.vue'))
const InclusionsView = defineAsyncComponent(() => import('./inclusions/InclusionsView.vue'))
const InclusionsPanel = defineAsyncComponent(() => import('./inclusions/InclusionsPanel.vue'))
const WallView = defineAsyncComponent(() => import('./wall/WallView.vue'))
const WallPanel = defineAsyncComponent(() => import('./wall/WallPanel.vue'))
const AirView = defineAsyncComponent(() => import('./air/AirView.vue'))
const AirPanel = defineAsyncComponent(() => import('./air/AirPanel.vue'))
const HeatPanel = defineAsyncComponent(() => import('../heat/HeatPanel.vue'))

const project = useProject()
const { selected, plan, layer, shown, select, drag, drop, nudge, walls, add, split, remove } =
  useLayers()
const help = ref(false)
const panel = ref<HTMLElement>()
const turnStep = Math.PI / 12

/** Another layer begins at the top of the panel; asking where it stands would cost a layout. */
let scrolled = false
watch(selected, async () => {
  if (!scrolled) return
  await nextTick()
  panel.value?.scrollTo({ top: 0 })
  scrolled = false
})

function turn(): void {
  project.cutAt((project.turn + turnStep) % Math.PI)
}

const { allLenses, lenses, lens, look } = useLenses(() => plan.value)
/** Whose wall the lens looks at. */
const walled = computed(() =>
  layer.value?.shell ? layer.value : project.compiled?.layers.find(({ shell }) => shell),
)
const { depths, narrow, map, roughMap, mapOnCut } = useHollow(
  () => lens.value === 'layers' || lens.value === 'wall',
  () => (lens.value === 'wall' ? walled.value : undefined),
)
/** Of the three first steps: the shape is there, then a layer, then its weights. */
const steps = computed(() => {
  const layers = project.compiled?.layers ?? []
  if (layers.some(({ weighing }) => weighing)) return 3
  return layers.length > 0 ? 2 : 1
})
/** What is set in, on the cut. */
const { arrangement } = useArrangement(() =>
  project.piece && project.plan && project.compiled && lens.value === 'layers'
    ? { form: project.piece.document.form, plan: project.plan, compiled: project.compiled }
    : undefined,
)
const things = computed(() =>
  arrangement.value ? thingsToSee(plan.value, arrangement.value) : undefined,
)
const heat = useHeat(() => lens.value === 'heat')
const bubbles = useBubbles(() => lens.value === 'air')
/** The cut, the clock, what is chosen, and what is only chosen later. */
const built = useInTurn(
  () =>
    project.survey !== undefined && project.compiled !== undefined && project.pour !== undefined,
  4,
)

function movedPour(index: number, moment: PourMoment): void {
  project.preview(movePour(plan.value, project.compiled!, index, moment))
}
const keepPour = () => project.keepPreview()

/** A layer that was added has the keys: arrows move it, Delete deletes it. */
async function addAndHold(): Promise<void> {
  add()
  await nextTick()
  const index = project.compiled!.layers.length - 1
  const grips = `[data-surface="${index}"], [data-wall="${index}"]`
  document.querySelector<SVGElement>(grips)?.focus()
}

const shortcuts = useShortcuts([
  ...allLenses.map(({ name, label, key }) => ({
    keys: [key],
    says: `Lens: ${label.toLowerCase()}`,
    act: () => void look(name),
  })),
  { keys: ['a'], says: 'Add a layer', act: () => void addAndHold() },
  { keys: ['s'], says: 'Split the chosen layer: base, then cover', act: split },
  { keys: ['Delete'], says: 'Delete the layer that is shown', act: () => layer.value && remove() },
  { shown: '↑ ↓', says: 'Move the surface by 0.5 mm' },
  { shown: 'Shift ↑ ↓', says: 'Move it by 5 mm' },
  { keys: ['t'], says: 'Turn the cut by 15°', act: turn },
  {
    shown: '← →',
    says: 'On a pour moment of the clock: 5 min; Shift: 30 min; fast resins: 5 s and 30 s',
  },
  ...undoHelp,
  { keys: ['Escape'], says: 'Deselect: show the whole pour', act: () => select(undefined) },
  { keys: ['?'], act: () => (help.value = true) },
])
</script>

<template>
  <div v-if="project.survey && project.compiled && project.pour" class="pour">
    <section class="backlit table" aria-label="The cutaway">
      <div class="tools">
        <div class="lenses" role="group" aria-label="Lenses">
          <Tip
            v-for="one in lenses"
            :key="one.name"
            :says="`Show ${one.label.toLowerCase()} (${one.key})`"
          >
            <ElButton
              round
              class="lens"
              :class="{ on: lens === one.name }"
              :aria-pressed="lens === one.name"
              @click="look(one.name)"
            >
              <i v-if="lens === one.name" aria-hidden="true" />{{ one.label }}
            </ElButton>
          </Tip>
        </div>
        <span class="gap grow" />
        <!-- What comes and goes stands left of what stays: no button slides under the pointer. -->
        <ToolButton
          v-if="layer"
          label="Split"
          tip="Split this layer: base, then cover (S)"
          @click="split"
        >
          <Scissors :size="15" aria-hidden="true" />
        </ToolButton>
        <ToolButton v-if="layer" label="Delete" tip="Delete this layer (Delete)" @click="remove()">
          <Trash2 :size="15" aria-hidden="true" />
        </ToolButton>
        <ToolButton label="Add layer" tip="Add a layer (A)" @click="addAndHold">
          <Plus :size="15" aria-hidden="true" />
        </ToolButton>
        <ToolButton bare label="Turn" tip="Turn the cut by 15° (T)" @click="turn">
          <RotateCw :size="15" aria-hidden="true" />
        </ToolButton>
        <ToolButton bare label="Shortcuts" tip="Shortcuts (?)" @click="help = true">
          <CircleHelp :size="16" aria-hidden="true" />
        </ToolButton>
      </div>
      <WordFromLastTime />
      <HeatCut
        v-if="lens === 'heat'"
        class="cut grow"
        :section="project.survey.section"
        :plan="plan"
        :compiled="project.compiled"
        :heat="heat"
      />
      <ColourView
        v-else-if="lens === 'colour'"
        class="cut grow"
        :selected="selected"
        @select="select"
      />
      <InclusionsView
        v-else-if="lens === 'inclusions'"
        class="cut grow"
        :layer="shown"
        @select="select"
      />
      <AirView
        v-else-if="lens === 'air'"
        class="cut grow"
        :bubbles="bubbles"
        :selected="selected"
        @select="select"
      />
      <WallView
        v-else-if="lens === 'wall'"
        class="cut grow"
        :map="map"
        :rough="roughMap"
        :layer="walled"
      />
      <Cutaway
        v-else
        class="cut grow"
        :section="project.survey.section"
        :curve="project.survey.curve"
        :plan="plan"
        :compiled="project.compiled"
        :selected="selected"
        :depths="depths"
        :brush="narrow?.brush"
        :things="things"
        :turn="project.turn"
        @select="select"
        @drag="drag"
        @drop="drop"
        @nudge="nudge"
        @drag-wall="walls.drag"
        @nudge-wall="walls.nudge"
        @remove="remove"
      />
    </section>
    <ClockStrip
      v-if="built > 1"
      class="strip"
      :compiled="project.compiled"
      :selected="selected"
      :room="plan.room"
      :begin="plan.begin"
      :awake="plan.awake ?? usualDay.awake"
      :waiting="project.known.waiting"
      :at="lens === 'heat' && heat.field.value ? heat.at.value : undefined"
      :playing="heat.playing.value"
      @select="select"
      @move="movedPour"
      @moved="keepPour"
      @look="heat.lookAt($event)"
      @play="heat.togglePlay()"
    />
    <aside
      ref="panel"
      class="panel inspector"
      aria-label="What is chosen"
      tabindex="-1"
      @scroll.passive="scrolled = true"
    >
      <FirstSteps v-if="led" :done="steps" />
      <div v-if="lens === 'heat'" class="panels stack">
        <HeatPanel :heat="heat" :layer="layer" />
      </div>
      <div v-if="lens === 'wall' && walled" class="panels stack">
        <WallPanel :map="map" :layer="walled" :narrow="narrow" :on-cut="mapOnCut" />
      </div>
      <div v-if="lens === 'air'" class="panels stack"><AirPanel :bubbles="bubbles" /></div>
      <div v-if="lens === 'colour' && shown" class="panels stack">
        <ColourPanel :layer="shown" :count="project.compiled.layers.length" />
      </div>
      <div v-if="lens === 'inclusions' && shown" class="panels stack">
        <InclusionsPanel :layer="shown" :count="project.compiled.layers.length" />
      </div>
      <!-- Both stay mounted: building the panel anew at the first touch of a surface would be felt. -->
      <div
        v-if="shown && built > (layer ? 2 : 3)"
        class="panels stack"
        :class="{ away: !layer || lens !== 'layers' }"
      >
        <LayerPanel :layer="shown" :count="project.compiled.layers.length" :narrow="narrow" />
      </div>
      <div
        v-if="built > (layer ? 3 : 2)"
        class="panels stack"
        :class="{ away: layer || lens !== 'layers' }"
      >
        <PlanPanel />
      </div>
      <ElButton
        v-if="layer && lens === 'layers'"
        link
        type="primary"
        class="start"
        @click="select(undefined)"
      >
        Show the whole pour
      </ElButton>
    </aside>
    <KeysDialog v-model="help" :shortcuts="shortcuts" />
  </div>
</template>

<style scoped>
.pour {
  height: 100%;
  display: grid;
  grid-template: minmax(320px, 1fr) 190px / minmax(0, 1fr) 372px;
  column-gap: 14px;
}

@media (max-width: 1180px) {
  .pour {
    grid-template-columns: minmax(0, 1fr) 330px;
  }
}

.table {
  min-height: 0;
  display: flex;
  flex-direction: column;
  border-radius: var(--r-large) var(--r-large) 0 0;
}

.tools {
  display: flex;
  gap: 5px;
  flex-wrap: wrap;
  padding: 12px 14px 0;
}

.lenses {
  display: flex;
  gap: 4px;
}

.tools :deep(.el-button:not(.bare)) {
  padding-inline: 10px;
}

.lens i {
  width: 11px;
  height: 11px;
  border: 2px solid var(--ink-2);
  border-radius: 50%;
}

.lens.on {
  border-color: var(--teal);
  background: var(--teal);
  color: var(--on-ink);
}

.lens.on i {
  border-color: var(--on-ink);
}

.strip {
  contain: strict;
  border: 1px solid var(--line);
  border-top: 0;
  border-radius: 0 0 var(--r-large) var(--r-large);
  background: var(--panel);
}

.inspector {
  contain: strict;
  grid-column: 2;
  grid-row: 1 / 3;
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 14px 16px;
  overflow: hidden auto;
  scrollbar-width: thin;
  scrollbar-color: var(--line) transparent;
}

.panels.away {
  visibility: hidden;
  height: 0;
  overflow: hidden;
  margin-bottom: -12px;
}

.panels > :deep(*) {
  flex: none;
}

@media (max-width: 900px) {
  .pour {
    height: auto;
    display: flex;
    flex-direction: column;
  }

  .table {
    min-height: 460px;
  }

  .strip {
    height: 190px;
  }

  .inspector {
    contain: none;
    margin-top: 14px;
  }
}
</style>
