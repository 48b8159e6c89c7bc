<script setup lang="ts">
import { computed, shallowRef, watch } from 'vue'
import { ElButton } from 'element-plus'
import { useRouter } from 'vue-router'
import { checkCup, tintKey, type Dose, type Mix, type Weighing } from '@mivro/core/matter/mix'
import type { TwoPart } from '@mivro/core/matter/material'
import type { Problem } from '@mivro/core/base/problem'
import Fold from '../ui/Fold.vue'
import QuantityField from '../ui/QuantityField.vue'
import { useDesk } from './deskStore.ts'
import PastTheMark from './PastTheMark.vue'
import { refusedWeight } from './poured.ts'

/** Beside what is to be weighed: what the cup really holds, and what to add then. */
const props = defineProps<{
  material: string
  twoPart: TwoPart
  tints?: readonly Dose[]
  weighing: Weighing
  step: number
  room: number
}>()
const desk = useDesk()
const router = useRouter()
const inCup = shallowRef<Record<string, number | undefined>>({})
watch(
  () => props.material,
  () => (inCup.value = {}),
)

const mix = computed((): Mix => {
  const { ratio, densityA, densityB, nameA, nameB } = props.twoPart
  const extras = (props.tints ?? []).map(({ material, fraction }, i) => ({
    id: tintKey(i),
    name: material.name,
    share: fraction,
    of: 'both' as const,
    density: material.density,
    most: material.limit,
  }))
  return { ratio, densityA, densityB, nameA, nameB, extras }
})
const check = computed(() => checkCup(mix.value, inCup.value, props.weighing.cupSize))

function pour(what: string, mass: number | undefined): Problem | undefined {
  const refused = refusedWeight(mass)
  if (!refused) inCup.value = { ...inCup.value, [what]: mass }
  return refused
}

async function toTheDesk(): Promise<void> {
  desk.layOut({
    material: props.material,
    mass: props.weighing.total,
    room: props.room,
    needed: props.weighing.volume,
    extras: mix.value.extras,
  })
  await router.push({ name: 'desk' })
}
</script>

<template>
  <Fold title="Over-poured?">
    <QuantityField
      v-for="part in weighing.steps"
      :key="part.key"
      :label="`${part.name} that is in the cup`"
      kind="mass"
      :step="step"
      optional
      placeholder="–"
      :value="inCup[part.key]"
      :take="(mass) => pour(part.key, mass)"
    />
    <PastTheMark
      :check="check"
      :step="step"
      :cup-size="weighing.cupSize"
      :wanted="weighing.volume"
      :needed="weighing.volume"
    />
    <ElButton link type="primary" @click="toTheDesk"> Open in Mixing </ElButton>
  </Fold>
</template>
