<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import {
  chosenUnit,
  figure,
  fromSI,
  parseQuantity,
  scaleUnits,
  show,
  unitSymbol,
  type Kind,
} from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import AssumedMark from './AssumedMark.vue'
import FieldRow from './FieldRow.vue'
import LineInput from './LineInput.vue'
import { useRefusal } from './refusals.ts'
import type { Taking } from './taking.ts'
import Tip from './Tip.vue'

type Shown = {
  label: string
  kind: Kind
  /** SI; undefined shows an empty field. */
  value: number | undefined
  /** The finest difference that means something, SI. */
  step?: number
  /** Shown when there is no value. */
  placeholder?: string
  /** It is a scale's step: shown in the unit in which that is a round number. */
  ofScale?: boolean
  /** The unit of a bare number, where the field means another than usual: weeks. */
  bareUnit?: string
  /** Nobody has typed it: it is what is usual, until the sheet says otherwise. */
  assumed?: boolean
  /** No visible label: it stands elsewhere. */
  bare?: boolean
}

/** What is typed is taken; what is refused comes back and stands under the field. */
const props = defineProps<Shown & Taking>()

const emit = defineEmits<{ confirm: [] }>()
const studio = useStudio()
const typed = ref<string>()
const problem = ref<Problem>()
useRefusal(
  () => props.label,
  () => problem.value,
)

const units = computed(() =>
  props.ofScale && props.value ? scaleUnits(props.value, studio.units) : studio.units,
)
const shown = computed(() => {
  if (props.value === undefined) return ''
  if (props.kind === 'duration') return show(props.value, 'duration')
  return figure(props.value, props.kind, units.value, { step: props.step })
})
const text = computed(() => typed.value ?? shown.value)
const symbol = computed(() =>
  props.kind === 'duration' ? '' : unitSymbol(props.kind, units.value),
)
/** The value to all its digits, for whoever asks. */
const exact = computed(() =>
  props.value === undefined || props.kind === 'duration'
    ? undefined
    : `${Number(fromSI(props.value, chosenUnit(props.kind, units.value)).toPrecision(9))} ${symbol.value}`,
)

watch(shown, () => {
  if (!problem.value) typed.value = undefined
})

function commit(): void {
  if (typed.value === undefined) return
  const words = typed.value.trim()
  // Left as it was shown: nothing was changed, and no digit is lost to rounding.
  if (words === shown.value) return forget()
  try {
    const value =
      words === '' && props.optional
        ? undefined
        : parseQuantity(words, props.kind, units.value, { bare: props.bareUnit })
    const refused = props.take(value as number)
    if (refused) problem.value = refused
    else forget()
  } catch (error) {
    problem.value = problemsOf(error)[0]
  }
}

function forget(): void {
  typed.value = undefined
  problem.value = undefined
}
</script>

<template>
  <FieldRow :label="label" :problem="problem" :bare="bare">
    <template #default="{ said }">
      <Tip :says="exact">
        <LineInput
          :model-value="text"
          :placeholder="placeholder"
          :unit="symbol && (text !== '' || !placeholder) ? symbol : ''"
          v-bind="said"
          @update:model-value="typed = $event"
          @commit="commit"
          @forget="forget"
        />
      </Tip>
    </template>
    <template v-if="assumed" #after><AssumedMark @confirm="emit('confirm')" /></template>
  </FieldRow>
</template>
