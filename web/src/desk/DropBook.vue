<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { ElButton } from 'element-plus'
import { dropWeight, dropsFor } from '@mivro/core/matter/mix'
import type { Problem } from '@mivro/core/base/problem'
import { problemsOf } from '@mivro/core/base/problem'
import { show } from '@mivro/core/base/units'
import { materialSchema, type Tint } from '@mivro/core/matter/material'
import { readDocument } from '@mivro/core/base/document'
import { useOpen } from '../api/useOpen.ts'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CountField from '../ui/CountField.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import QuantityField from '../ui/QuantityField.vue'
import Says from '../ui/Says.vue'
import ShelfSelect from '../ui/ShelfSelect.vue'

/** What a drop of each bottle weighs, learned by counting drops onto the scale. */
const props = defineProps<{ wanted?: number }>()
const shelf = useShelf()
const studio = useStudio()
const chosen = ref<string>()
const { session, problems: notOpened, open } = useOpen('materials')
const tint = computed(() => {
  const found = shelf.materials.get(chosen.value ?? '')
  return found?.kind === 'tint' ? found : undefined
})
watch(chosen, (id) => void open(id))
watch(
  () => shelf.stored,
  (stored) => (chosen.value ??= stored.find(({ document }) => document.kind === 'tint')?.id),
  { immediate: true },
)
const drop = computed(() => dropWeight(tint.value?.drops))
const fine = (kg: number) => show(kg, 'mass', studio.units, { step: 1e-6 })
const drops = computed(() =>
  drop.value && props.wanted ? dropsFor(props.wanted, drop.value) : undefined,
)

const count = ref(20)
const mass = ref<number>()
const problem = ref<Problem>()
function take(): void {
  // Until its sheet is open a count has nowhere to be kept: the button waits for it.
  if (!tint.value || !session.value || mass.value === undefined) return
  try {
    const counts = [...(tint.value.drops ?? []), { count: count.value, mass: mass.value }]
    const next = readDocument(materialSchema, { ...tint.value, drops: counts.slice(-50) }) as Tint
    session.value.edit(next)
    shelf.follow(chosen.value!, next)
    problem.value = undefined
    mass.value = undefined
  } catch (error) {
    problem.value = problemsOf(error)[0]
  }
}
</script>

<template>
  <section class="drops stack-10" aria-label="Drops">
    <h2>Drops to grams</h2>
    <ProblemNote v-for="missing in notOpened" :key="missing.code" :problem="missing" />
    <ShelfSelect label="Bottle" kind="tint" :value="chosen" @choose="chosen = $event" />
    <p v-if="drop" class="said quiet">
      One drop is <b class="num">{{ fine(drop.mass) }}</b><template v-if="drop.spread > 0"
        >, counts lie {{ Math.round(drop.spread * 100) }} % apart</template
      >, from {{ drop.counted }} drops.
      <template v-if="drops">
        {{ fine(wanted!) }} are <b class="num">{{ drops.drops }} drops</b>, off by
        {{ Math.abs(Math.round(drops.off * 100)) }} %.
      </template>
    </p>
    <p v-else class="quiet">Count drops onto the scale once, and this bottle is known.</p>
    <CountField label="Drops counted" :value="count" :take="(n) => void (count = n)" />
    <QuantityField
      label="weighed together"
      kind="mass"
      :step="1e-5"
      optional
      :value="mass"
      :take="(value) => void (mass = value)"
    />
    <Says :problem="problem" />
    <ElButton :disabled="mass === undefined || !tint || !session" @click="take">
      Save this count
    </ElButton>
  </section>
</template>

<style scoped>
.said b {
  color: var(--ink);
  font-size: var(--size-lead);
}
</style>
