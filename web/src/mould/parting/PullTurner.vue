<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { ArrowDown, ArrowLeft, ArrowRight, ArrowUp } from 'lucide-vue-next'
import type { Vec3 } from '@mivro/core/form/mesh'
import { pullWay } from '@mivro/core/mould'
import { sayTried } from '@mivro/words/parting'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import ToolButton from '../../ui/ToolButton.vue'
import { usePull } from './pullStore.ts'

/** The pull turned by hand, with what it would lock, until it is taken. */
const project = useProject()
const studio = useStudio()
const pull = usePull()
const ways = [
  { label: 'Turn the pull left', icon: ArrowLeft, about: 1, up: 0 },
  { label: 'Turn the pull right', icon: ArrowRight, about: -1, up: 0 },
  { label: 'Turn the pull up', icon: ArrowUp, about: 0, up: 1 },
  { label: 'Turn the pull down', icon: ArrowDown, about: 0, up: -1 },
]
const said = computed(() => {
  const { direction, answer } = pull
  if (!direction || !answer) return ''
  const { angle } = pullWay(direction, project.mould!.masterUp as Vec3)
  return sayTried({ angle, level: answer.level.blocked, climbing: answer.blocked }, studio.units)
})
</script>

<template>
  <div class="row">
    <span>Turn the pull, 5° each</span>
    <span class="ways">
      <ToolButton
        v-for="{ label, icon, about, up } in ways"
        :key="label"
        bare
        :label="label"
        @click="pull.turn(about, up)"
      >
        <component :is="icon" :size="14" aria-hidden="true" />
      </ToolButton>
    </span>
  </div>
  <template v-if="pull.direction">
    <p class="small" :class="{ dim: pull.busy }" role="status" data-tried>{{ said }}</p>
    <ProblemNote v-if="pull.problem" :problem="pull.problem" />
    <p class="acts">
      <ElButton type="primary" @click="pull.use">Lay the master so</ElButton>
      <ElButton @click="pull.forget">Cancel</ElButton>
    </p>
  </template>
</template>

<style scoped>
.ways,
.acts {
  display: flex;
  gap: 4px;
}

.dim {
  opacity: 0.6;
}
</style>
