<script setup lang="ts">
import { computed, onErrorCaptured, onMounted, ref } from 'vue'
import { useRoute } from 'vue-router'
import { problemsOf, type Problem } from '@mivro/core/problem'
import { openKeepers } from '../api/keeper.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useStudio } from '../studio/studioStore.ts'
import ConflictDialog from './ConflictDialog.vue'
import Rail from './Rail.vue'
import TopBar from './TopBar.vue'

const studio = useStudio()
const route = useRoute()
const problems = ref<readonly Problem[]>([])

/** What the server would not keep of an open document: it stays on the page, and is said. */
const refused = computed(() => [...openKeepers.values()].flatMap((keeper) => keeper.refused))

onMounted(async () => {
  try {
    await studio.load()
  } catch (error) {
    problems.value = problemsOf(error)
  }
})
onErrorCaptured((error) => {
  problems.value = problemsOf(error)
  return false
})
</script>

<template>
  <RouterView v-if="route.meta.paper" />
  <div v-else class="shell">
    <TopBar />
    <Rail />
    <main class="place">
      <ProblemNote
        v-for="problem in [...problems, ...refused]"
        :key="problem.code"
        :problem="problem"
      />
      <RouterView />
    </main>
  </div>
  <ConflictDialog />
</template>

<style scoped>
.shell {
  height: 100%;
  min-width: 1180px;
  display: grid;
  grid-template: 48px minmax(0, 1fr) / 76px minmax(0, 1fr);
}

.place {
  min-height: 0;
  padding: 0 16px 14px;
  overflow: auto;
}
</style>
