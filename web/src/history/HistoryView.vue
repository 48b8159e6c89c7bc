<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { ElButton } from 'element-plus'
import { compareLines } from '@mivro/core/base/document'
import { changeWords } from '@mivro/words/document'
import { useProject } from '../project/projectStore.ts'
import { showMoment } from '../ui/dates.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import TextField from '../ui/TextField.vue'
import VersionSides from '../ui/VersionSides.vue'
import { useHistory, type Version } from './useHistory.ts'

const router = useRouter()
const project = useProject()
const { problems, trying } = useProblems()
const history = useHistory(() => project.pour!.id)
const chosen = ref<number>()

// Also after every change of the plan that is open: its newest version is one more.
watch(
  () => [project.pour?.id, project.pour?.revision] as const,
  ([id]) => {
    if (id !== undefined) void trying(() => history.load())
  },
  { immediate: true },
)

const what = ({ change, changed }: Version) =>
  changed.length > 0 ? `${changeWords[change]}: ${changed.join(' · ')}` : changeWords[change]

const today = computed(() => history.versions.value[0])
/** Until one is chosen, the one before today's. */
const shown = computed(() => {
  const versions = history.versions.value
  return versions.find(({ revision }) => revision === chosen.value) ?? versions[1]
})
const sides = computed(() => {
  if (!shown.value || !today.value) return []
  const { own, other } = compareLines(shown.value.lines, today.value.lines)
  return [
    { title: showMoment(shown.value.at), lines: own },
    { title: 'Today', lines: other },
  ]
})

const restore = () =>
  trying(async () => {
    const problem = project.changePlan(shown.value!.document)
    if (problem) throw problem
    await router.push({ name: 'pour' })
  })
</script>

<template>
  <div v-if="project.pour" class="split listing">
    <section class="panel list" aria-label="Versions">
      <h2>History of {{ project.pour.document.name }}</h2>
      <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
      <ol>
        <li v-for="version in history.versions.value" :key="version.revision">
          <ElButton
            text
            class="choice"
            :aria-pressed="version === shown"
            @click="chosen = version.revision"
          >
            <span class="row">
              <b>{{ version.name ?? showMoment(version.at) }}</b>
              <span v-if="version === today" class="quiet small">today</span>
              <span v-else-if="version.name" class="quiet small">{{ showMoment(version.at) }}</span>
            </span>
            <span class="quiet small">{{ what(version) }}</span>
          </ElButton>
        </li>
      </ol>
      <ElButton v-if="history.next.value" @click="trying(() => history.load(history.next.value))">
        Show earlier versions
      </ElButton>
      <p class="quiet small">
        Every change of the last 7 days is kept, then one an hour, after 60 days one a day. A
        version with a name is kept for good.
      </p>
    </section>
    <section v-if="shown" class="panel beside" aria-label="The chosen version">
      <VersionSides :sides="sides" />
      <div class="acts">
        <TextField
          :key="shown.revision"
          label="Name of this version"
          :value="shown.name ?? ''"
          placeholder="Such as the one for the market"
          :take="(text) => void trying(() => history.name(shown!.revision, text))"
        />
        <ElButton type="primary" :disabled="shown === today" @click="restore">
          Restore this version
        </ElButton>
      </div>
    </section>
    <section v-else class="panel beside empty">
      <p class="quiet">
        There is one version yet. Every change makes another, which can be laid beside today's and
        restored.
      </p>
    </section>
  </div>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-height: 0;
  padding: 16px 18px;
  overflow: auto;
}

.beside {
  display: flex;
  flex-direction: column;
  gap: 16px;
  min-height: 0;
  padding: 18px 20px;
  overflow: auto;
}

.empty {
  align-items: center;
  justify-content: center;
}

.acts {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: end;
  gap: 20px;
}
</style>
