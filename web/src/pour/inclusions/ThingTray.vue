<script setup lang="ts">
import { computed, ref } from 'vue'
import { colourOf, outlineOf, sizeOf } from '@mivro/core/matter/inclusion'
import type { InclusionMaterial } from '@mivro/core/matter/material'
import { useShelf } from '../../project/shelfStore.ts'

/** What is on hand to be set in: dragged from the edge into a layer, or laid in its middle by a click. */
const emit = defineEmits<{
  drop: [thing: InclusionMaterial, at: { clientX: number; clientY: number }]
  put: [thing: InclusionMaterial]
}>()
const shelf = useShelf()
const kept = computed(() =>
  shelf.stored.flatMap(({ id, document }) => {
    if (document.kind !== 'inclusion') return []
    const loops = outlineOf(sizeOf(document))
    const path = loops
      .map(
        (loop) =>
          `M${loop.map(([x, y]) => `${(20 * x).toFixed(1)} ${(-20 * y).toFixed(1)}`).join('L')}Z`,
      )
      .join('')
    return [{ id, thing: document, path, colour: colourOf(document) }]
  }),
)

/** Less than this is a click, px. */
const still = 6
const carried = ref<{ id: string; x: number; y: number }>()
let from = { x: 0, y: 0 }
function take(id: string, event: PointerEvent): void {
  if (event.button !== 0) return
  ;(event.currentTarget as Element).setPointerCapture(event.pointerId)
  from = { x: event.clientX, y: event.clientY }
  carried.value = { id, ...from }
}
function move({ clientX: x, clientY: y }: PointerEvent): void {
  if (carried.value) carried.value = { ...carried.value, x, y }
}
function drop(thing: InclusionMaterial, { clientX, clientY }: PointerEvent): void {
  const moved = carried.value && Math.hypot(clientX - from.x, clientY - from.y) >= still
  carried.value = undefined
  if (moved) emit('drop', thing, { clientX, clientY })
  else emit('put', thing)
}
const away = computed(
  () =>
    carried.value &&
    Math.hypot(carried.value.x - from.x, carried.value.y - from.y) >= still && {
      left: `${carried.value.x - 13}px`,
      top: `${carried.value.y - 13}px`,
    },
)
</script>

<template>
  <div class="tray" role="toolbar" aria-label="Things to set in: drag one into the layer">
    <p v-if="kept.length === 0" class="small quiet">
      Nothing to set in among your materials:
      <RouterLink :to="{ name: 'shelf', params: { material: '' } }">add something</RouterLink>.
    </p>
    <div
      v-for="one in kept"
      :key="one.id"
      class="one"
      role="button"
      tabindex="0"
      :aria-label="`Set in ${one.thing.name}`"
      @pointerdown="take(one.id, $event)"
      @pointermove="move"
      @pointerup="drop(one.thing, $event)"
      @pointercancel="carried = undefined"
      @keydown.enter="emit('put', one.thing)"
      @keydown.space.prevent="emit('put', one.thing)"
    >
      <svg width="26" height="26" viewBox="-13 -13 26 26" aria-hidden="true">
        <path :d="one.path" :fill="one.colour" fill-rule="evenodd" />
      </svg>
      <span class="small">{{ one.thing.name }}</span>
      <svg
        v-if="away && carried?.id === one.id"
        class="carried"
        :style="away"
        width="26"
        height="26"
        viewBox="-13 -13 26 26"
        aria-hidden="true"
      >
        <path :d="one.path" :fill="one.colour" fill-rule="evenodd" />
      </svg>
    </div>
  </div>
</template>

<style scoped>
.tray {
  display: flex;
  flex: none;
  flex-wrap: wrap;
  gap: 4px 6px;
  max-height: 78px;
  padding: 4px 0 2px;
  overflow: hidden auto;
  scrollbar-width: thin;
}

.one {
  flex: none;
  max-width: 100%;
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 3px 10px 3px 5px;
  border: 1px solid var(--line);
  border-radius: var(--r-field);
  background: var(--panel);
  cursor: grab;
  touch-action: none;
}

.one:focus-visible {
  outline-offset: -2px;
}

.one > .small {
  min-width: 0;
}

.one path {
  stroke: var(--shade);
}

.carried {
  position: fixed;
  z-index: 5;
  pointer-events: none;
}
</style>
