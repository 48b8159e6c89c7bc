<script setup lang="ts">
import { computed, onMounted, shallowRef, watch } from 'vue'
import { ElButton } from 'element-plus'
import { useRoute, useRouter } from 'vue-router'
import { Plus } from 'lucide-vue-next'
import { newMould, type Mould } from '@mivro/core/mould'
import { mouldKindWords } from '@mivro/words/mouldKind'
import type { Piece } from '@mivro/core/form/piece'
import { api, newId, type Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import { useOpen } from '../api/useOpen.ts'
import { showDay } from '../ui/dates.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import SelectField from '../ui/SelectField.vue'
import '../theme/listed.css'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import RemoveButton from '../ui/RemoveButton.vue'
import { sayTakenOff } from '../ui/takenOff.ts'
import { useUndoOf } from '../ui/undo.ts'
import MouldLife from './passport/MouldLife.vue'
import PassportPanel from './passport/PassportPanel.vue'
import { usePullsOf } from './passport/usePulls.ts'

const route = useRoute()
const router = useRouter()
const moulds = shallowRef<Stored<Mould>[]>()
const pieces = shallowRef<Stored<Piece>[]>([])
const { session: open, problems: notOpened, open: show } = useOpen('moulds')
const { problems, trying } = useProblems()
useUndoOf(() => [open.value])

const wanted = computed(() => String(route.params.mould || moulds.value?.[0]?.id || ''))
const load = () =>
  trying(async () => {
    ;[moulds.value, pieces.value] = await Promise.all([listNewest('moulds'), listNewest('pieces')])
  })
onMounted(load)
watch(wanted, (id) => void show(id || undefined), { immediate: true })
watch(
  () => open.value?.document,
  (document) => {
    if (!document || !open.value) return
    const { id } = open.value
    moulds.value = moulds.value?.map((mould) => (mould.id === id ? { ...mould, document } : mould))
  },
)
const { pulls } = usePullsOf(() => open.value?.document)

const nameOf = (id: string) => pieces.value.find((piece) => piece.id === id)?.document.name
const makes = computed(() => (open.value?.document.pieces ?? []).filter(nameOf))
const others = computed(() =>
  pieces.value
    .filter(({ id }) => !open.value?.document.pieces.includes(id))
    .map(({ id, document }) => ({ value: id, label: document.name })),
)
const facts = (mould: Mould) => {
  const names = mould.pieces.map(nameOf).filter(Boolean)
  return `${mouldKindWords[mould.kind].label} · ${names.length > 0 ? names.join(', ') : 'no piece yet'}`
}

/** A bought mould begins without a piece. */
const add = () =>
  trying(async () => {
    const mould: Mould = {
      ...newMould('Bought mould', '', [0, 0, 1], 0.08),
      kind: 'bought',
      pieces: [],
    }
    const made = await api.add('moulds', newId(), mould)
    await load()
    await router.push({ name: 'moulds', params: { mould: made.id } })
  })
const remove = ({ id, document }: Stored<Mould>) =>
  trying(async () => {
    await api.remove('moulds', id)
    await load()
    await router.push({ name: 'moulds', params: { mould: '' } })
    sayTakenOff(document.name, () => trying(() => api.restore('moulds', id).then(load)))
  })
function belong(piece: string, in_: boolean): void {
  const document = open.value!.document
  const left = document.pieces.filter((id) => id !== piece)
  open.value!.edit({ ...document, pieces: in_ ? [...left, piece] : left })
}
</script>

<template>
  <div class="listed page">
    <h1>Moulds</h1>
    <div class="split listing">
      <section class="panel list" aria-label="Moulds of the studio">
        <ProblemNote
          v-for="problem in [...problems, ...notOpened]"
          :key="problem.code"
          :problem="problem"
        />
        <div class="row head">
          <h2>All moulds</h2>
          <ElButton link type="primary" @click="add">
            <Plus :size="14" aria-hidden="true" />Bought mould
          </ElButton>
        </div>
        <p v-if="moulds?.length === 0" class="quiet small none">
          None yet. A mould of your own begins at its piece, under Mould.
        </p>
        <ul>
          <li v-for="mould in moulds" :key="mould.id" :class="{ on: mould.id === wanted }">
            <RouterLink :to="{ name: 'moulds', params: { mould: mould.id } }">
              <span>
                <b>{{ mould.document.name }}</b>
                <span class="quiet small">{{ facts(mould.document) }}</span>
              </span>
            </RouterLink>
            <RemoveButton
              class="x"
              :label="`Delete ${mould.document.name}`"
              @click="remove(mould)"
            />
          </li>
        </ul>
      </section>
      <section v-if="open" :key="open.id" class="panel sheet" aria-label="The mould">
        <div class="stack"><PassportPanel :session="open" /></div>
        <div class="stack">
          <h2>Casts these pieces</h2>
          <ul class="makes">
            <li v-for="id in makes" :key="id">
              <RouterLink :to="{ name: 'mould', params: { id } }">{{ nameOf(id) }}</RouterLink>
              <RemoveButton :label="`Not ${nameOf(id)} any more`" @click="belong(id, false)" />
            </li>
          </ul>
          <SelectField
            v-if="others.length > 0"
            label="Add a piece"
            :options="[{ value: '', label: 'choose a piece' }, ...others]"
            value=""
            @choose="belong($event, true)"
          />
          <MouldLife :session="open" :pulls="pulls.map(({ document }) => document)" />
          <h2>Pulls so far: {{ pulls.length }}</h2>
          <ul class="makes">
            <li v-for="pull in pulls.slice(0, 8)" :key="pull.id">
              <span>{{ showDay(pull.document.pouredAt) }}, {{ pull.document.outcome }}</span>
              <span class="quiet small">{{ pull.document.nextTime }}</span>
            </li>
          </ul>
        </div>
      </section>
      <section v-else class="panel">
        <EmptyPlace v-if="moulds?.length === 0" title="What do you cast in?">
          A mould keeps its record here: how it was made, what it holds, how it is best poured.
          <template #next
            ><ElButton type="primary" @click="add">Add a bought mould</ElButton></template
          >
        </EmptyPlace>
      </section>
    </div>
  </div>
</template>

<style scoped>
.sheet {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 28px;
  align-content: start;
  padding: 14px 16px;
  overflow: auto;
}

@media (max-width: 1180px) {
  .sheet {
    grid-template-columns: minmax(0, 1fr);
  }
}

.makes li > :first-child {
  flex: 0 1 auto;
  min-width: 0;
}

.makes li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-2);
}
</style>
