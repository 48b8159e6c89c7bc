<script setup lang="ts">
import { computed, defineAsyncComponent, onMounted, watch, watchEffect } from 'vue'
import { useRoute } from 'vue-router'
import { requestsUnderWay } from '../api/request.ts'
import { openSessions } from '../api/sessions.ts'
import { storageProblem } from '../api/unsent.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useStudio } from '../project/studioStore.ts'
import { jobsUnderWay } from '../work/jobs.ts'
import { dismissFaults, faults } from './faults.ts'
import Rail from './Rail.vue'
import TopBar from './TopBar.vue'
import { useWhereabouts } from './whereabouts.ts'

const studio = useStudio()
const route = useRoute()

/** What the server would not keep of an open document: it stays on the page, and is said. */
const refused = computed(() => [...openSessions.values()].flatMap((session) => session.refused))
/** Said only while something is unsent: then a closed page would lose it. */
const unkept = computed(() =>
  storageProblem.value && [...openSessions.values()].some(({ state }) => state !== 'saved')
    ? [storageProblem.value]
    : [],
)

/** It comes when it is needed: most never see it. */
const ConflictDialog = defineAsyncComponent(() => import('./ConflictDialog.vue'))
const conflict = computed(() =>
  [...openSessions.values()].some(({ state }) => state === 'conflict'),
)

/** Something is asked of the server or computed: the pointer says so, and tests wait for its end. */
watchEffect(() => {
  const asked = [...requestsUnderWay.value, ...jobsUnderWay.value]
  if (asked.length > 0) document.body.dataset.working = asked.join(', ')
  else delete document.body.dataset.working
})

useWhereabouts()
onMounted(() => studio.load())
// What a place ran into is not said in the next one.
watch(() => route.path, dismissFaults)
</script>

<template>
  <RouterView v-if="route.meta.paper" />
  <div v-else class="shell">
    <a class="skip" href="#place">Skip to the content</a>
    <TopBar />
    <Rail />
    <main id="place" class="place" tabindex="-1">
      <ProblemNote
        v-for="problem in [...faults, ...refused, ...unkept]"
        :key="problem.message"
        :problem="problem"
      />
      <RouterView />
    </main>
  </div>
  <ConflictDialog v-if="conflict" />
</template>

<style scoped>
.shell {
  height: 100%;
  display: grid;
  grid-template: 48px minmax(0, 1fr) / 76px minmax(0, 1fr);
}

main:focus {
  outline: 0;
}

.skip {
  position: absolute;
  left: 8px;
  top: -60px;
  z-index: 10;
  padding: 8px 14px;
  border-radius: var(--r-field);
  background: var(--panel);
}

.skip:focus {
  top: 8px;
}

.place {
  min-height: 0;
  min-width: 0;
  padding: 0 16px 14px;
  overflow: auto;
}

@media (max-width: 900px) {
  .shell {
    grid-template-columns: 64px minmax(0, 1fr);
  }
  .place {
    padding: 0 10px 14px;
  }
}
</style>
