<script setup lang="ts">
import { nextTick, onMounted, onUnmounted, ref, watch } from 'vue'
import { CircleHelp, Plus, RotateCw, Scissors, Trash2 } from 'lucide-vue-next'
import keys from '../ui/keys.ts'
import ClockStrip from '../clock/ClockStrip.vue'
import Cutaway from '../cutaway/Cutaway.vue'
import { usePiece } from '../piece/pieceStore.ts'
import KeysDialog from '../ui/KeysDialog.vue'
import LayerPanel from './LayerPanel.vue'
import PlanPanel from './PlanPanel.vue'
import { useLayers } from './useLayers.ts'
import WordFromLastTime from './WordFromLastTime.vue'

const piece = usePiece()
const { selected, plan, layer, shown, select, drag, drop, nudge, add, split, remove } = useLayers()
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
  piece.turn = (piece.turn + turnStep) % Math.PI
}

let unbind = () => {}
onMounted(() => {
  unbind = keys({
    a: add,
    s: split,
    t: turn,
    Escape: () => select(undefined),
    '?': () => (help.value = true),
  })
})
onUnmounted(() => unbind())

const shortcuts = [
  ['A', 'Add a layer'],
  ['S', 'Split the chosen layer: base, then cover'],
  ['Delete', 'Take the layer away whose surface has the focus'],
  ['↑ ↓', 'Move the surface by 0.5 mm'],
  ['Shift ↑ ↓', 'Move it by 5 mm'],
  ['T', 'Turn the cut by 15°'],
  ['Ctrl Z', 'Undo'],
  ['Ctrl Shift Z', 'Redo'],
  ['Esc', 'Let go: show the whole pour'],
] as const
</script>

<template>
  <div v-if="piece.survey && piece.compiled && piece.plan" class="pour">
    <section class="backlit table" aria-label="The cutaway">
      <div class="tools">
        <button type="button" class="tool" title="Add a layer (A)" @click="add">
          <Plus :size="15" aria-hidden="true" />Add layer
        </button>
        <button
          v-if="layer"
          type="button"
          class="tool"
          title="Split the chosen layer (S)"
          @click="split"
        >
          <Scissors :size="15" aria-hidden="true" />Split
        </button>
        <button
          v-if="layer"
          type="button"
          class="tool"
          title="Take the chosen layer away (Delete)"
          @click="remove()"
        >
          <Trash2 :size="15" aria-hidden="true" />Remove
        </button>
        <button type="button" class="tool" title="Turn the cut by 15° (T)" @click="turn">
          <RotateCw :size="15" aria-hidden="true" />Turn the cut
        </button>
        <button
          type="button"
          class="tool round"
          title="Shortcuts (?)"
          aria-label="Shortcuts"
          @click="help = true"
        >
          <CircleHelp :size="16" aria-hidden="true" />
        </button>
      </div>
      <WordFromLastTime />
      <Cutaway
        class="cut"
        :section="piece.survey.section"
        :curve="piece.survey.curve"
        :plan="plan"
        :compiled="piece.compiled"
        :selected="selected"
        @select="select"
        @drag="drag"
        @drop="drop"
        @nudge="nudge"
        @remove="remove"
      />
    </section>
    <ClockStrip
      class="strip"
      :compiled="piece.compiled"
      :selected="selected"
      :room="plan.room"
      @select="select"
    />
    <aside
      ref="panel"
      class="panel inspector"
      aria-label="What is chosen"
      tabindex="-1"
      @scroll.passive="scrolled = true"
    >
      <!-- Both stay mounted: building the panel anew at the first touch of a surface would be felt. -->
      <div v-if="shown" class="panels" :class="{ away: !layer }">
        <LayerPanel :layer="shown" :count="piece.compiled.layers.length" />
      </div>
      <div class="panels" :class="{ away: layer }"><PlanPanel /></div>
      <button v-if="layer" type="button" class="btn plain back" @click="select(undefined)">
        Show the whole pour
      </button>
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

.table {
  min-height: 0;
  display: flex;
  flex-direction: column;
  border-radius: var(--r-large) var(--r-large) 0 0;
}

.tools {
  display: flex;
  gap: 6px;
  padding: 12px 14px 0;
}

.tool {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  padding: 5px 12px;
  border: 1px solid var(--line);
  border-radius: 99px;
  background: #fff;
  color: var(--ink-2);
  font-weight: 550;
  cursor: pointer;
}

.tool:hover {
  border-color: var(--teal);
  color: var(--teal);
}

.tool.round {
  margin-left: auto;
  padding: 5px;
}

.cut {
  flex: 1;
}

.strip {
  contain: strict;
  border: 1px solid var(--line);
  border-top: 0;
  border-radius: 0 0 var(--r-large) var(--r-large);
  background: #fff;
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
  scrollbar-color: #c4d3ce transparent;
}

.panels {
  display: flex;
  flex-direction: column;
  gap: 12px;
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

.back {
  align-self: flex-start;
}
</style>
