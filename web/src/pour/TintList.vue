<script setup lang="ts">
import { computed } from 'vue'
import { useLocalStorage } from '@vueuse/core'
import { ElButton, ElOption, ElSelect } from 'element-plus'
import { Plus } from 'lucide-vue-next'
import {
  countedDose,
  doseIn,
  doseUnits,
  guessedSwatch,
  shareOf,
  type DoseUnit,
} from '@mivro/core/matter/colour'
import type { Tint } from '@mivro/core/matter/material'
import type { TintShare } from '@mivro/core/work/plan'
import type { Problem } from '@mivro/core/base/problem'
import { show } from '@mivro/core/base/units'
import { doseUnitHeads, doseUnitWords } from '@mivro/words/colour'
import { useShelf } from '../project/shelfStore.ts'
import { useStudio } from '../project/studioStore.ts'
import CountField from '../ui/CountField.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import ShelfSelect from '../ui/ShelfSelect.vue'

/** The tints of a layer, each with its share of the resin's weight. */
const props = defineProps<{
  tints: readonly TintShare[]
  /** Of the whole mix, kg; absent until something is weighed: doses are shares then. */
  resin?: number
  take: (next: TintShare[]) => Problem | undefined
}>()
const shelf = useShelf()
const studio = useStudio()
/** As the person likes to count, on this machine. */
const doseUnit = useLocalStorage<DoseUnit>('mivro-doses', 'share')

/** Most that a layer holds. */
const most = 6

const free = computed(() =>
  shelf.stored.filter(
    ({ id, document }) =>
      document.kind === 'tint' && props.tints.every(({ material }) => material !== id),
  ),
)
const name = (i: number) => (i === 0 ? 'Tint' : `Tint ${i + 1}`)

function firstDose(id: string): number {
  const tint = shelf.materials.get(id)
  return tint?.kind === 'tint' ? guessedSwatch(tint).dose : 0
}
function choose(i: number, id: string | undefined): void {
  if (id === undefined) return remove(i)
  const share = { material: id, fraction: props.tints[i]?.fraction ?? firstDose(id) }
  props.take(i < props.tints.length ? props.tints.with(i, share) : [...props.tints, share])
}
const unit = computed(() => (props.resin === undefined ? 'share' : doseUnit.value))
const units = doseUnits.map((value) => ({ value, label: doseUnitWords[value] }))
const tintAt = (i: number): Tint | undefined => {
  const found = shelf.materials.get(props.tints[i].material)
  return found?.kind === 'tint' ? found : undefined
}
/** In drops or tips; undefined where this tint is not counted so. */
function counted(i: number): { amount: number; learned: boolean; each: number } | undefined {
  const tint = tintAt(i)
  if (!tint || props.resin === undefined) return undefined
  if (unit.value !== 'drops' && unit.value !== 'tips') return undefined
  const one = countedDose(tint, unit.value)
  if (!one) return undefined
  const amount = doseIn(unit.value, tint, props.tints[i].fraction, props.resin)
  return { amount: Number(amount.toPrecision(3)), learned: one.learned, each: one.mass }
}
const countIn = (i: number, amount: number) =>
  dose(i, shareOf(unit.value, tintAt(i)!, amount, props.resin!))
const fine = (kg: number) => show(kg, 'mass', studio.units)
const dose = (i: number, fraction = 0) =>
  props.take(props.tints.with(i, { ...props.tints[i], fraction }))
const remove = (i: number) => void props.take(props.tints.toSpliced(i, 1))
const add = () => choose(props.tints.length, free.value[0].id)
</script>

<template>
  <div class="tints stack-4">
    <div class="row">
      <h3>{{ doseUnitHeads[unit] }}</h3>
      <ElSelect
        v-if="tints.length > 0 && resin !== undefined"
        v-model="doseUnit"
        :persistent="false"
        class="unit"
        size="small"
        aria-label="Doses in"
      >
        <ElOption v-for="one in units" :key="one.value" v-bind="one" />
      </ElSelect>
    </div>
    <ShelfSelect
      v-if="tints.length === 0"
      bare
      label="Tint"
      kind="tint"
      none="None"
      :value="undefined"
      @choose="choose(0, $event)"
    />
    <div v-for="(tint, i) in tints" :key="`${i}-${tint.material}`" class="tint">
      <ShelfSelect
        bare
        :label="name(i)"
        kind="tint"
        none="None"
        :value="tint.material"
        @choose="choose(i, $event)"
      />
      <CountField
        v-if="counted(i)"
        :key="unit"
        bare
        :label="`${name(i)}, ${unit} in this mix`"
        :value="counted(i)!.amount"
        :take="(amount) => countIn(i, amount)"
      />
      <QuantityField
        v-else-if="unit === 'weight'"
        key="weight"
        bare
        :label="`${name(i)}, weight in this mix`"
        kind="mass"
        :step="1e-6"
        :value="tint.fraction * resin!"
        :take="(mass) => dose(i, mass / resin!)"
      />
      <QuantityField
        v-else
        bare
        :label="`${name(i)}, share of the resin's weight`"
        kind="fraction"
        :value="tint.fraction"
        :take="(fraction) => dose(i, fraction)"
      />
      <RemoveButton :label="`Delete ${name(i).toLowerCase()}`" @click="remove(i)" />
      <p v-if="counted(i)" class="small quiet each">
        {{ fine(counted(i)!.each) }} each, {{ counted(i)!.learned ? 'as you weighed' : 'typical' }}
      </p>
      <p v-else-if="unit === 'drops'" class="small quiet each">A powder: by share</p>
    </div>
    <ElButton
      v-if="tints.length > 0 && tints.length < most && free.length > 0"
      link
      type="primary"
      class="add start"
      @click="add"
    >
      <Plus :size="14" aria-hidden="true" />Add tint
    </ElButton>
  </div>
</template>

<style scoped>
.tint {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 84px 32px;
  align-items: center;
  gap: 8px;
}

.tints :deep(.el-select),
.tint :deep(.el-input) {
  width: 100%;
}

.each {
  grid-column: 1 / 3;
  margin-top: -4px;
  text-align: right;
}

.tints :deep(.unit.el-select) {
  width: 118px;
  flex: none;
}

h3 {
  color: var(--ink-2);
  font-size: var(--size-small);
  font-weight: 400;
}
</style>
