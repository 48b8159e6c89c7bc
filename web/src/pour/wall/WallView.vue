<script setup lang="ts">
import { computed } from 'vue'
import { ElSkeleton } from 'element-plus'
import type { WallMap } from '@mivro/core/form/wall'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { show } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'
import SolidView from '../../solid/SolidView.vue'
import ColourKey from '../../ui/ColourKey.vue'
import { solidColour, wallColours, wallRange } from './wallColours.ts'

/** How thick the wall of a hollow cast comes out, over the piece, with its thinnest place. */
const props = defineProps<{
  map?: WallMap
  /** A first picture, while the map is made. */
  rough?: WallMap
  layer?: CompiledLayer
}>()
const studio = useStudio()
// Read while the map is made.
void import('../../solid/solidScene.ts')
const wall = computed(() => props.layer?.shell?.fill.wall ?? 0)
const shown = computed(() => {
  const map = props.map ?? props.rough
  return map && { ...map, colours: wallColours(map, wall.value) }
})
const ends = computed(() => wallRange(wall.value))
const marks = computed(() => (props.map ? [{ at: props.map.thinnest.at, on: true }] : []))
const length = (metres: number) => show(metres, 'length', studio.units)
</script>

<template>
  <div class="wall" :data-map="map ? 'shown' : 'waits'">
    <SolidView
      v-if="shown"
      class="solid"
      :surface="shown"
      :marks="marks"
      label="How thick the wall comes out, over the piece"
      :hint="map ? 'Drag to turn; the red ball is the thinnest place' : 'A first picture …'"
    />
    <ElSkeleton v-else animated :rows="6" class="waits" />
    <ColourKey
      v-if="shown"
      what="wall"
      :low="length(ends[0])"
      :high="length(ends[1])"
      :also="{ colour: solidColour, says: 'fills by itself' }"
    />
  </div>
</template>

<style scoped>
.wall {
  position: relative;
  min-height: 0;
  display: flex;
  flex-direction: column;
}

.solid {
  flex: 1;
}

.waits {
  padding: 40px;
}
</style>
