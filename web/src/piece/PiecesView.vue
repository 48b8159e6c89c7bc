<script setup lang="ts">
import { defineAsyncComponent, onMounted, ref, shallowRef } from 'vue'
import { ElButton } from 'element-plus'
import { useIntersectionObserver } from '@vueuse/core'
import { Plus } from 'lucide-vue-next'
import type { Mould } from '@mivro/core/mould'
import type { Piece } from '@mivro/core/form/piece'
import { api, type PieceOverview, type Stored } from '../api/client.ts'
import { listNewest, newestOf } from '../api/sessions.ts'
import { led } from '../project/firstVisit.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import PieceCard from './PieceCard.vue'

const EmptyPlace = defineAsyncComponent(() => import('../ui/EmptyPlace.vue'))

const shelf = useShelf()
const studio = useStudio()
const cards = shallowRef<PieceOverview[]>()
/** Where the list goes on; undefined when all of it is here. */
const next = ref<string>()
const busy = ref(false)
const { problems, trying } = useProblems()

/** What this page knows better than the list that the server gave. */
const newest = (card: PieceOverview): PieceOverview => ({
  ...card,
  piece: newestOf('pieces', [card.piece])[0],
  plan: card.plan && newestOf('plans', [card.plan])[0],
})

async function load(after?: string): Promise<void> {
  if (busy.value) return
  busy.value = true
  await trying(async () => {
    const page = await api.overview(after)
    const before = after === undefined ? [] : (cards.value ?? [])
    cards.value = [...before, ...page.items.map(newest)]
    next.value = page.next
  })
  busy.value = false
}
const moulds = shallowRef<Stored<Mould>[]>([])
const mouldOf = (id: string) =>
  moulds.value.find(({ document }) => document.pieces.includes(id))?.document
onMounted(() =>
  Promise.all([
    load(),
    trying(async () => {
      moulds.value = await listNewest('moulds')
    }),
    trying(() => shelf.load()),
  ]),
)

const end = ref<HTMLElement>()
useIntersectionObserver(
  end,
  ([entry]) => {
    if (entry?.isIntersecting && next.value !== undefined) void load(next.value)
  },
  { rootMargin: '600px' },
)

const remove = (piece: Stored<Piece>) =>
  trying(async () => {
    await api.remove('pieces', piece.id)
    const before = cards.value ?? []
    cards.value = before.filter((card) => card.piece.id !== piece.id)
    const { sayTakenOff } = await import('../ui/takenOff.ts')
    sayTakenOff(piece.document.name, () =>
      trying(async () => {
        await api.restore('pieces', piece.id)
        await load()
      }),
    )
  })

const fillDemo = () =>
  trying(async () => {
    await api.fillDemo()
    await Promise.all([load(), shelf.load(), studio.load()])
  })
</script>

<template>
  <div class="pieces">
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <EmptyPlace v-if="cards?.length === 0" title="What will you cast?">
      A piece is a shape with its pours: cut it into layers, see what to weigh and when to pour, and
      keep how it came out.
      <template #next>
        <ElButton tag="router-link" type="primary" to="/pieces/new" @click="led = true"
          >Create the first piece</ElButton
        >
        <ElButton @click="fillDemo"> Look round the demo studio </ElButton>
      </template>
    </EmptyPlace>
    <template v-else-if="cards">
      <div class="title">
        <h1>Pieces</h1>
        <ElButton tag="router-link" type="primary" to="/pieces/new"
          ><Plus :size="15" aria-hidden="true" />New piece</ElButton
        >
      </div>
      <ul class="grid">
        <PieceCard
          v-for="card in cards"
          :key="card.piece.id"
          :piece="card.piece"
          :plan="card.plan ?? undefined"
          :mould="mouldOf(card.piece.id)"
          :pulls="card.pulls"
          :last="card.last ?? undefined"
          @remove="remove(card.piece)"
        />
      </ul>
      <div ref="end" class="end">
        <ElButton v-if="next && !busy" @click="load(next)"> Show more </ElButton>
        <p v-else-if="busy" class="quiet" role="status">Loading more …</p>
      </div>
    </template>
  </div>
</template>

<style scoped>
.title {
  display: flex;
  justify-content: space-between;
  align-items: center;
  height: 58px;
}

.end {
  display: flex;
  justify-content: center;
  min-height: 1px;
  padding-bottom: 16px;
}

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 16px;
  padding-bottom: 16px;
}
</style>
