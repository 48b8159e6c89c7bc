<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import { Plus } from 'lucide-vue-next'
import type { Piece } from '@mivro/core/piece'
import type { Plan } from '@mivro/core/plan'
import type { Pull } from '@mivro/core/pull'
import { api, type Stored } from '../api/client.ts'
import { listNewest } from '../api/keeper.ts'
import { useShelf } from '../shelf/shelfStore.ts'
import { useStudio } from '../studio/studioStore.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import { sayTakenOff } from '../ui/takenOff.ts'
import PieceCard from './PieceCard.vue'

const shelf = useShelf()
const studio = useStudio()
const pieces = shallowRef<Stored<Piece>[]>()
const plans = shallowRef<Stored<Plan>[]>([])
const pulls = shallowRef<Stored<Pull>[]>([])
const { problems, trying } = useProblems()

async function load(): Promise<void> {
  await trying(async () => {
    const [p, l, u] = await Promise.all([
      listNewest('pieces'),
      listNewest('plans'),
      listNewest('pulls'),
      shelf.load(),
    ])
    plans.value = l
    pulls.value = u
    pieces.value = p
  })
}
onMounted(load)

const newestPlan = computed(() => new Map(plans.value.map((plan) => [plan.parent, plan])))
const pullsOf = (id: string) => pulls.value.filter((pull) => pull.parent === id)

const remove = (piece: Stored<Piece>) =>
  trying(async () => {
    await api.remove('pieces', piece.id)
    await load()
    sayTakenOff(piece.document.name, () => trying(() => api.restore('pieces', piece.id).then(load)))
  })

const fillDemo = () =>
  trying(async () => {
    await api.fillDemo()
    await Promise.all([load(), studio.load()])
  })
</script>

<template>
  <div class="pieces">
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <EmptyPlace v-if="pieces?.length === 0" title="What will you cast?">
      A piece is a shape with its pours: cut it into layers, see what to weigh and when to pour, and
      keep how it came out.
      <template #next>
        <RouterLink class="btn" to="/pieces/new">Make the first piece</RouterLink>
        <button type="button" class="btn ghost" @click="fillDemo">
          Look round the demo studio
        </button>
      </template>
    </EmptyPlace>
    <template v-else-if="pieces">
      <div class="title">
        <h1>Pieces</h1>
        <RouterLink class="btn" to="/pieces/new"
          ><Plus :size="15" aria-hidden="true" />New piece</RouterLink
        >
      </div>
      <ul class="grid">
        <PieceCard
          v-for="piece in pieces"
          :key="piece.id"
          :piece="piece"
          :plan="newestPlan.get(piece.id)"
          :pulls="pullsOf(piece.id)"
          @remove="remove(piece)"
        />
      </ul>
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

.grid {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(280px, 1fr));
  gap: 16px;
  padding-bottom: 16px;
}
</style>
