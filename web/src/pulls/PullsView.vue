<script setup lang="ts">
import { computed, onUnmounted, ref, watch } from 'vue'
import { ElButton } from 'element-plus'
import { useRoute, useRouter } from 'vue-router'
import { Plus } from 'lucide-vue-next'
import { newPull, type Pull } from '@mivro/core/work/pull'
import { sayOutcome } from '@mivro/words/pull'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useOpen } from '../api/useOpen.ts'
import { useProject } from '../project/projectStore.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import RemoveButton from '../ui/RemoveButton.vue'
import { now, showMoment } from '../ui/dates.ts'
import { sayTakenOff } from '../ui/takenOff.ts'
import { useUndoOf } from '../ui/undo.ts'
import PullForm from './PullForm.vue'

const route = useRoute()
const router = useRouter()
const project = useProject()
const { session: open, problems: notOpened, open: show } = useOpen('pulls')
const { problems, trying } = useProblems()

useUndoOf(() => [open.value])
// Where air stays is known while the mould is looked at: causes ask for it.
onUnmounted(project.lookAtMould())

const newestFirst = computed(() =>
  [...project.pulls].sort(
    (a, b) => Date.parse(b.document.pouredAt) - Date.parse(a.document.pouredAt),
  ),
)
const numberOf = (id: string) => project.pulls.findIndex((pull) => pull.id === id) + 1

watch(
  () => [route.params.pull, project.pulls.length] as const,
  () => void show(String(route.params.pull || newestFirst.value[0]?.id || '') || undefined),
  { immediate: true },
)
/** What is edited shows in the list, and in the word for next time, at once. */
watch(
  () => open.value?.document,
  (document) => {
    if (!document || !open.value) return
    const { id } = open.value
    project.setPulls(project.pulls.map((pull) => (pull.id === id ? { ...pull, document } : pull)))
  },
)

const record = () =>
  trying(async () => {
    const { id, revision, document } = project.pour!
    const pull = newPull(document, project.compiled!, {
      plan: id,
      planRevision: revision,
      mould: project.mouldSession?.id,
      pouredAt: now(),
    })
    const made = await api.add('pulls', newId(), pull, project.piece!.id)
    project.setPulls([...project.pulls, made])
    await router.push({ name: 'pulls', params: { pull: made.id } })
  })

const remove = (pull: Stored<Pull>) =>
  trying(async () => {
    const name = `Pull ${numberOf(pull.id)}`
    await api.remove('pulls', pull.id)
    project.setPulls(project.pulls.filter((other) => other.id !== pull.id))
    await router.push({ name: 'pulls', params: { pull: '' } })
    sayTakenOff(name, () =>
      trying(async () => {
        await api.restore('pulls', pull.id)
        project.setPulls(await listNewest('pulls', { parent: project.piece!.id }))
      }),
    )
  })

const planning = ref(false)
async function next(): Promise<void> {
  if (planning.value) return
  planning.value = true
  await trying(async () => {
    await project.nextPour(`Pour ${project.pours.length + 1}`)
    await router.push({ name: 'pour' })
  })
  planning.value = false
}

const canRecord = computed(() => project.compiled?.layers.some((layer) => layer.weighing) ?? false)
</script>

<template>
  <div v-if="project.piece" class="split listing">
    <section class="list" aria-label="Pulls of this piece">
      <div class="acts">
        <ElButton v-if="canRecord" type="primary" @click="record">
          <Plus :size="15" aria-hidden="true" />Record a pull
        </ElButton>
        <ElButton v-if="project.pulls.length > 0" @click="next"> Plan the next pour </ElButton>
      </div>
      <p v-if="!canRecord && project.compiled" class="quiet small">
        A pull can be recorded as soon as one layer has a resin.
      </p>
      <ProblemNote
        v-for="problem in [...problems, ...notOpened]"
        :key="problem.code"
        :problem="problem"
      />
      <ul>
        <li
          v-for="pull in newestFirst"
          :key="pull.id"
          class="card"
          :class="{ on: pull.id === open?.id }"
        >
          <RouterLink :to="{ name: 'pulls', params: { pull: pull.id } }" class="link">
            <span class="row">
              <b>Pull {{ numberOf(pull.id) }}</b>
              <span class="outcome" :class="pull.document.outcome"
                ><i />{{ sayOutcome(pull.document) }}</span
              >
            </span>
            <span class="quiet small">{{ showMoment(pull.document.pouredAt) }}</span>
            <span v-if="pull.document.faults.length > 0" class="small">{{
              pull.document.faults.join(', ')
            }}</span>
            <span v-if="pull.document.nextTime" class="next small">{{
              pull.document.nextTime
            }}</span>
          </RouterLink>
          <RemoveButton
            class="x"
            :label="`Delete pull ${numberOf(pull.id)}`"
            @click="remove(pull)"
          />
        </li>
      </ul>
    </section>
    <PullForm v-if="open" :key="open.id" :session="open" :number="numberOf(open.id)" />
    <section v-else class="panel none">
      <EmptyPlace title="Nothing was poured yet">
        When you have poured, write down what was actually weighed and how it came out. The next
        pour of this piece opens with what you want to change.
      </EmptyPlace>
    </section>
  </div>
</template>

<style scoped>
.list {
  display: flex;
  flex-direction: column;
  gap: 12px;
  min-height: 0;
  overflow: hidden auto;
}

.acts {
  display: flex;
  gap: 8px;
}

ul {
  display: flex;
  flex-direction: column;
  gap: 8px;
}

.card {
  position: relative;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--panel);
}

.card:hover,
.card.on {
  border-color: var(--teal);
}

.card.on {
  background: var(--hover);
}

.link {
  display: flex;
  flex-direction: column;
  gap: 3px;
  padding: 12px 14px;
  color: inherit;
  text-decoration: none;
}

.next {
  padding-left: 8px;
  border-left: 3px solid var(--honey);
  color: var(--amber-ink);
}

.outcome {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  margin-right: 20px;
  font-size: var(--size-small);
}

.outcome i {
  width: 9px;
  height: 9px;
  border: 2px solid var(--warn);
  border-radius: var(--r);
}

.outcome.good i {
  border-color: var(--ok);
  background: var(--ok);
}

.outcome.lost i {
  border-color: var(--stop);
  border-radius: var(--r-tiny);
}

.card :deep(.x) {
  position: absolute;
  right: 6px;
  top: 8px;
}

.none {
  min-height: 0;
}
</style>
