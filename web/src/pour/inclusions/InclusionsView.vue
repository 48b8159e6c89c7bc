<script setup lang="ts">
import { ref } from 'vue'
import type { CompiledLayer } from '@mivro/core/plan'
import { useProject } from '../../project/projectStore.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import SegmentField from '../../ui/SegmentField.vue'
import SideView from './SideView.vue'
import TopView from './TopView.vue'
import { useSetThings } from './useSetThings.ts'

/** What is set in, from above and from the side. */
const props = defineProps<{ layer?: CompiledLayer }>()
const emit = defineEmits<{ select: [id: string] }>()
const project = useProject()
const { problem, things, own, outline, drag, drop } = useSetThings(() => props.layer)
const seen = ref('above')
const ways = [
  { value: 'above', label: 'From above', hint: 'As you look into the mould' },
  { value: 'face', label: 'As the face shows it', hint: 'Mirrored: left and right exchanged' },
]
</script>

<template>
  <div class="views">
    <figure>
      <figcaption>
        <b>{{ layer?.name }}</b>
        <SegmentField label="Seen" :options="ways" :value="seen" @choose="seen = $event" />
      </figcaption>
      <TopView
        v-if="outline && outline.length > 0"
        :loops="outline"
        :things="own"
        :mirrored="seen === 'face'"
        @move="drag"
        @moved="drop"
      />
      <ProblemNote v-else-if="problem" :problem="problem" />
      <p v-else class="quiet small">Laying them out …</p>
    </figure>
    <figure>
      <figcaption><b>Section</b></figcaption>
      <SideView
        :section="project.survey!.section"
        :compiled="project.compiled!"
        :turn="project.turn"
        :things="things"
        :selected="layer?.id"
        @select="emit('select', $event)"
      />
    </figure>
  </div>
</template>

<style scoped>
.views {
  min-height: 0;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 14px;
  padding: 10px 14px 12px;
}

figure {
  min-height: 0;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  gap: 4px;
  margin: 0;
}

figcaption {
  min-height: 34px;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 4px 12px;
}

@media (max-width: 640px) {
  .views {
    grid-template-columns: minmax(0, 1fr);
    grid-template-rows: 300px 240px;
  }
}
</style>
