<script setup lang="ts">
import { ElButton } from 'element-plus'
import { Pause, Play } from 'lucide-vue-next'
import { show, showTimeOfDay } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'

/** What the clock goes by, and the button that lets the time run. */
withDefaults(
  defineProps<{
    /** By the model of the cure, not by the sheets alone. */
    modelled: boolean
    room: number
    begin?: number
    /** Left out: there is nothing to let run. */
    playing?: boolean
  }>(),
  { begin: undefined, playing: undefined },
)
const emit = defineEmits<{ play: [] }>()
const studio = useStudio()
</script>

<template>
  <div class="head">
    <h2>The clock</h2>
    <span class="quiet small">
      {{ modelled ? 'by the cure of each layer' : 'from the sheets' }}, room
      {{ show(room, 'temperature', studio.units)
      }}<template v-if="begin !== undefined"
        >, begun at {{ showTimeOfDay(begin, studio.units) }}</template
      >
    </span>
    <ElButton
      v-if="playing !== undefined"
      round
      size="small"
      :aria-label="playing ? 'Pause' : 'Play'"
      @click="emit('play')"
    >
      <component :is="playing ? Pause : Play" :size="13" aria-hidden="true" />
    </ElButton>
  </div>
</template>

<style scoped>
.head {
  position: absolute;
  left: 14px;
  top: 8px;
  display: flex;
  gap: 10px;
  align-items: center;
}
</style>
