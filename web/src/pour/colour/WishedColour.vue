<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ElButton, ElColorPicker } from 'element-plus'
import {
  bodyMatter,
  hexOf,
  linearOf,
  matterOf,
  usualCoat,
  wishThrough,
  type Ground,
  type SolvedRecipe,
} from '@mivro/core/matter/colour'
import type { Resin } from '@mivro/core/matter/material'
import type { CompiledLayer, TintShare } from '@mivro/core/work/plan'
import { sayNearness } from '@mivro/words/colour'
import { useShelf } from '../../project/shelfStore.ts'
import FieldRow from '../../ui/FieldRow.vue'
import ProblemNote from '../../ui/ProblemNote.vue'
import { useProblems } from '../../ui/problems.ts'
import QuantityField from '../../ui/QuantityField.vue'
import SegmentField from '../../ui/SegmentField.vue'
import { askTints } from '../../work/pool.ts'

/** Doses of the tints on hand for a wished colour, through the layer or in a coat on the outside. */
const props = defineProps<{
  layer: CompiledLayer
  resin: Resin
  share: (fraction: number) => string
  take: (tints: TintShare[]) => void
}>()
const shelf = useShelf()
const { problems, trying } = useProblems()

const backs: { value: Ground; label: string; hint?: string }[] = [
  { value: 'white', label: 'White', hint: 'Something white lies behind it' },
  { value: 'grey', label: 'Grey' },
  { value: 'black', label: 'Black', hint: 'Something black lies behind it' },
]
const places = [
  { value: 'resin', label: 'In the resin' },
  { value: 'coat', label: 'Coat outside', hint: 'A clear cast with a tinted coat on it' },
]
const place = ref('resin')
const ground = ref<Ground>('white')
/** What the picked colour is seen through; left out: this layer. */
const depth = ref<number>()
const coat = ref<number>(usualCoat)
const body = computed(() => bodyMatter(props.resin))

const wished = ref<string | null>(null)
const found = shallowRef<SolvedRecipe>()
const question = computed(() => {
  if (!wished.value) return undefined
  const onHand = shelf.stored.flatMap(({ id, document }) =>
    document.kind === 'tint' ? [{ id, matter: matterOf(document), limit: document.limit }] : [],
  )
  const wish = wishThrough(linearOf(wished.value), body.value, {
    depth: depth.value ?? props.layer.depth,
    ground: ground.value,
    coat: place.value === 'coat' ? coat.value : undefined,
  })
  return { wish, onHand }
})
watch(
  question,
  (asked) =>
    trying(async () => {
      found.value = undefined
      if (asked) found.value = await askTints(asked)
    }),
  { flush: 'post' },
)
watch(
  () => props.layer.id,
  () => (wished.value = null),
)
const recipe = computed(() =>
  found.value?.doses.map(({ id, dose }) => ({
    name: shelf.materials.get(id)?.name ?? '',
    dose: props.share(dose),
  })),
)
function useRecipe(): void {
  props.take(
    found.value!.doses.map(({ id, dose }) => ({
      material: id,
      fraction: Number(dose.toPrecision(3)),
    })),
  )
  wished.value = null
}
</script>

<template>
  <section class="wish" aria-label="Doses for a colour">
    <h3>Doses for a colour</h3>
    <SegmentField label="Colour" :options="places" :value="place" @choose="place = $event" />
    <QuantityField
      v-if="place === 'coat'"
      label="Thickness of the coat"
      kind="length"
      :step="1e-5"
      :value="coat"
      :take="(m) => void (coat = m)"
    />
    <QuantityField
      label="Seen through"
      kind="length"
      optional
      placeholder="this layer"
      :value="depth"
      :take="(m) => void (depth = m)"
    />
    <SegmentField label="Behind it" :options="backs" :value="ground" @choose="ground = $event" />
    <FieldRow label="Wished colour">
      <ElColorPicker
        :model-value="wished"
        aria-label="Wished colour"
        @update:model-value="wished = $event"
      />
    </FieldRow>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <template v-if="found && recipe && wished">
      <div class="pair">
        <i :style="{ background: wished }" />
        <i :style="{ background: hexOf(found.colour) }" />
        <p class="small">{{ sayNearness(found.off) }}</p>
      </div>
      <p v-for="one in recipe" :key="one.name" class="row">
        <span>{{ one.name }}</span><b class="num">{{ one.dose }}</b>
      </p>
      <p v-if="recipe.length === 0" class="quiet">No tint: the resin alone comes nearest.</p>
      <p v-if="place === 'coat'" class="small quiet">
        Stir these shares into the coat that is brushed on; the cast itself stays clear.
      </p>
      <ElButton v-else type="primary" class="start" @click="useRecipe">Use these doses</ElButton>
    </template>
  </section>
</template>

<style scoped>
.wish {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-top: 10px;
  border-top: 1px solid var(--line);
}

h3 {
  font-size: var(--size-lead);
}

.pair {
  display: grid;
  grid-template-columns: 36px 36px minmax(0, 1fr);
  align-items: center;
}

.pair i {
  height: 36px;
}

.pair p {
  padding-left: 10px;
}
</style>
