<script setup lang="ts">
import { computed } from 'vue'
import type { MapOnSection, narrowPlaces, WallMap } from '@mivro/core/form/wall'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { show } from '@mivro/core/base/units'
import { explainMap, sayMap, sayNarrow } from '@mivro/words/turning'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import Origin from '../../ui/Origin.vue'
import WallCut from './WallCut.vue'

/** What the map of a wall says in words, and where a brush goes first. */
const props = defineProps<{
  map?: WallMap
  layer: CompiledLayer
  narrow?: ReturnType<typeof narrowPlaces>
  /** The map on the cut. */
  onCut?: MapOnSection
}>()
const studio = useStudio()
const project = useProject()
const length = (metres: number) => show(metres, 'length', studio.units)
const share = (of: number) => show(of, 'fraction', studio.units, { step: 0.01 })
const wall = computed(() => props.layer.shell!.fill.wall)
</script>

<template>
  <h2>The wall of {{ layer.name }}</h2>
  <p v-if="!layer.turning" class="quiet">
    Give it a resin, and this shows how evenly its wall comes out.
  </p>
  <p v-else-if="!map" class="quiet" role="status">The mould is turned over all directions …</p>
  <template v-else>
    <p class="best" role="status">{{ sayMap(map, wall, studio.units) }}</p>
    <dl class="facts stack-6">
      <div class="row">
        <dt>Wished, on average</dt>
        <dd class="num">{{ length(wall) }}</dd>
      </div>
      <div class="row">
        <dt>Thinnest place<Origin of="this map" :lines="explainMap(layer, studio.units)" /></dt>
        <dd class="num" data-thinnest>{{ length(map.thinnest.thickness) }}</dd>
      </div>
      <div class="row">
        <dt>Under {{ length(map.thin) }}</dt>
        <dd class="num">{{ share(map.under) }} of the surface</dd>
      </div>
      <div class="row">
        <dt>Fills by itself</dt>
        <dd class="num">{{ share(map.solid) }} of the surface</dd>
      </div>
      <div v-if="narrow" class="row">
        <dt>To brush first</dt>
        <dd>{{ sayNarrow(narrow.brush, studio.units) }}</dd>
      </div>
    </dl>
    <WallCut
      v-if="onCut && project.survey"
      :section="project.survey.section"
      :shown="onCut"
      :wall="wall"
    />
    <p class="small quiet">
      The cut as it lies in the mould; T turns it. Where a brush goes first is numbered on the cut
      of the layers; the wall is changed there.
    </p>
  </template>
</template>
