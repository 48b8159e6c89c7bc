<script setup lang="ts">
import { computed, nextTick, ref, useId, watch } from 'vue'
import { problemsOf, type Problem } from '@mivro/core/problem'
import {
  chosenUnit,
  figure,
  fromSI,
  parseQuantity,
  scaleUnits,
  show,
  unitSymbol,
  type Kind,
} from '@mivro/core/units'
import { useStudio } from '../project/studioStore.ts'
import { useRefusal } from './refusals.ts'
import AssumedMark from './AssumedMark.vue'
import Says from './Says.vue'

const props = defineProps<{
  label: string
  kind: Kind
  /** SI; undefined shows an empty field. */
  value: number | undefined
  /** Takes what was typed; what it refuses comes back and stands under the field. */
  take: (value: number | undefined) => Problem | undefined | void
  /** The finest difference that means something, SI. */
  step?: number
  /** Shown when there is no value. */
  placeholder?: string
  optional?: boolean
  /** It is a scale's step: shown in the unit in which that is a round number. */
  ofScale?: boolean
  /** The unit of a bare number, where the field means another than usual: weeks. */
  bareUnit?: string
  /** Nobody has typed it: it is what is usual, until the sheet says otherwise. */
  assumed?: boolean
  /** No visible label: it stands elsewhere. */
  bare?: boolean
}>()

const emit = defineEmits<{ confirm: [] }>()
const studio = useStudio()
const id = useId()
const typed = ref<string>()
const problem = ref<Problem>()
const input = ref<HTMLInputElement>()
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
    const refused = props.take(value)
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

async function onFocus(): Promise<void> {
  await nextTick()
  input.value?.select()
}
</script>

<template>
  <div class="field-row" :class="{ wrong: problem }">
    <label :for="id" :class="bare ? 'visually-hidden' : 'field-label'">{{ label }}</label>
    <span class="entry" :title="exact">
      <input
        :id="id"
        ref="input"
        type="text"
        autocomplete="off"
        spellcheck="false"
        :value="text"
        :placeholder="placeholder"
        :aria-invalid="problem ? 'true' : undefined"
        :aria-describedby="problem ? `${id}-says` : undefined"
        @input="typed = ($event.target as HTMLInputElement).value"
        @focus="onFocus"
        @blur="commit"
        @keydown.enter="commit"
        @keydown.esc.stop="forget"
      />
      <small v-if="symbol && (text !== '' || !placeholder)" aria-hidden="true">{{ symbol }}</small>
    </span>
    <AssumedMark v-if="assumed" @confirm="emit('confirm')" />
    <Says :id="`${id}-says`" :problem="problem" />
  </div>
</template>

<style scoped>
.entry {
  display: inline-flex;
  align-items: baseline;
  gap: 4px;
  border-bottom: 1.5px solid var(--edge);
  padding: 2px 2px 3px;
}

.entry:focus-within {
  border-color: var(--teal);
  box-shadow: 0 1px 0 var(--teal);
}

input {
  width: 76px;
  border: 0;
  padding: 0;
  background: transparent;
  outline: 0;
  text-align: right;
  font: 600 var(--size-lead) var(--num);
  font-feature-settings: 'tnum';
}

input::placeholder {
  color: var(--ink-3);
  font: 500 var(--size-small) var(--text);
}

small {
  min-width: 20px;
  text-align: left;
  color: var(--ink-2);
  font-size: var(--size-small);
}

.wrong .entry {
  border-color: var(--stop);
}
</style>
