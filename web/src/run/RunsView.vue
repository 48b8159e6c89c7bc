<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import { ElButton } from 'element-plus'
import { useRouter } from 'vue-router'
import { Plus } from 'lucide-vue-next'
import dayjs from 'dayjs'
import { progressOf, type Bench } from '@mivro/core/work/bench'
import { newRun, type Run } from '@mivro/core/work/run'
import { sayStand } from '@mivro/words/bench'
import { showTimeOfDay } from '@mivro/core/base/units'
import type { Piece } from '@mivro/core/form/piece'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useStudio } from '../project/studioStore.ts'
import { showDay } from '../ui/dates.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import RemoveButton from '../ui/RemoveButton.vue'
import { sayTakenOff } from '../ui/takenOff.ts'

/** All runs, the newest first. */
const studio = useStudio()
const router = useRouter()
const runs = shallowRef<Stored<Run>[]>()
const pieces = shallowRef<Stored<Piece>[]>([])
const benches = shallowRef<Stored<Bench>[]>([])
const { problems, trying } = useProblems()
const load = () =>
  trying(async () => {
    const [found, known, carried] = await Promise.all([
      listNewest('runs'),
      listNewest('pieces'),
      listNewest('benches'),
    ])
    benches.value = carried
    runs.value = found.toReversed()
    pieces.value = known
  })
onMounted(load)

const nameOf = (id: string) => pieces.value.find((piece) => piece.id === id)?.document.name
const facts = ({ pours }: Run) =>
  pours
    .map(({ piece, casts }) => `${casts} × ${nameOf(piece) ?? 'a piece that is gone'}`)
    .join(', ')
const when = ({ date, begin }: Run) =>
  `${date === undefined ? 'no day yet' : showDay(date)}, ${showTimeOfDay(begin, studio.units)}`

/** How a run stands at the bench: the one that goes on, else the last that was finished. */
function atBench(run: string) {
  const own = benches.value.filter(({ document: { of } }) => of.what === 'run' && of.id === run)
  const states = own.map((one) => ({ one, ...progressOf(one.document) }))
  const open = states.findLast(({ finished }) => !finished)
  if (open) {
    const done = open.tasks.filter(({ id }) => open.done.has(id)).length
    return { id: open.one.id, text: `at the bench, ${sayStand({ done, of: open.tasks.length })}` }
  }
  const last = states.at(-1)
  return last && { text: `carried out ${showDay(last.one.updatedAt)}` }
}
const today = dayjs().format('YYYY-MM-DD')
const groups = computed(() => {
  const all = runs.value ?? []
  const isNow = ({ id, document: { date } }: Stored<Run>) =>
    date === today || atBench(id)?.id !== undefined
  const isPast = (run: Stored<Run>) =>
    !isNow(run) &&
    ((run.document.date !== undefined && run.document.date < today) ||
      atBench(run.id) !== undefined)
  return [
    { name: 'Today', runs: all.filter(isNow) },
    { name: 'To come', runs: all.filter((run) => !isNow(run) && !isPast(run)) },
    { name: 'Past', runs: all.filter(isPast) },
  ].filter((group) => group.runs.length > 0)
})

const add = () =>
  trying(async () => {
    const made = await api.add('runs', newId(), newRun('New run'))
    await router.push({ name: 'run', params: { run: made.id } })
  })
const remove = ({ id, document }: Stored<Run>) =>
  trying(async () => {
    await api.remove('runs', id)
    await load()
    sayTakenOff(document.name, () => trying(() => api.restore('runs', id).then(load)))
  })
</script>

<template>
  <div class="page">
    <div class="title">
      <h1>Runs</h1>
      <p class="quiet">What is cast at the bench, cup by cup: from one session to several days.</p>
      <span class="gap grow" />
      <ElButton type="primary" @click="add"><Plus :size="15" aria-hidden="true" />New run</ElButton>
    </div>
    <div>
      <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
      <section v-if="runs?.length === 0" class="panel">
        <EmptyPlace title="How many moulds does one cup fill?">
          A run puts pieces, hands and the pot on one clock: what fits into a mix before it goes, in
          which order, and how many days it takes.
          <template #next>
            <ElButton type="primary" @click="add">Plan a run</ElButton>
          </template>
        </EmptyPlace>
      </section>
      <section v-for="group in groups" v-else :key="group.name" :aria-label="group.name">
        <h2>{{ group.name }}</h2>
        <ul class="runs">
          <li v-for="run in group.runs" :key="run.id" class="panel">
            <RouterLink :to="{ name: 'run', params: { run: run.id } }">
              <b>{{ run.document.name }}</b>
              <span class="quiet">{{ facts(run.document) || 'nothing cast yet' }}</span>
              <span class="quiet small">{{ when(run.document) }}</span>
              <span v-if="atBench(run.id)" class="bench small">{{ atBench(run.id)!.text }}</span>
            </RouterLink>
            <span class="acts">
              <RemoveButton :label="`Delete ${run.document.name}`" @click="remove(run)" />
              <ElButton
                v-if="atBench(run.id)?.id"
                tag="router-link"
                type="primary"
                size="small"
                :to="{ name: 'bench', params: { run: run.id, bench: atBench(run.id)!.id! } }"
                >Go on</ElButton
              >
            </span>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.runs {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(330px, 1fr));
  gap: 14px;
  margin-bottom: 14px;
}

h2 {
  margin: 6px 0 10px;
}

.bench {
  color: var(--amber-ink);
}

.acts {
  display: flex;
  flex-direction: column;
  align-items: flex-end;
  justify-content: space-between;
  align-self: stretch;
}

.runs li {
  display: flex;
  align-items: flex-start;
  justify-content: space-between;
  padding: 16px 18px;
}

.runs a {
  flex: 1;
  display: flex;
  flex-direction: column;
  gap: 4px;
  color: inherit;
  text-decoration: none;
}

.runs b {
  font: 650 var(--size-lead) var(--num);
}
</style>
