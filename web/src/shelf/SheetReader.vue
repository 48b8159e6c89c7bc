<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { workingLaw, workingTime, type CureTimes } from '@mivro/core/cure'
import {
  resinFieldWords,
  siliconeFieldWords,
  withFifthMore,
  type FieldWords,
  type Material,
  type Resin,
} from '@mivro/core/material'
import { show, showDuration } from '@mivro/core/units'
import { useStudio } from '../project/studioStore.ts'
import CautionNote from '../ui/CautionNote.vue'
import PlainSelect from '../ui/PlainSelect.vue'
import { askTimes } from '../work/pool.ts'
import { useLaw } from '../project/useLaw.ts'
import { useUses } from './useUses.ts'

/** Explains the field that is looked at, and shows what it does to a piece. */
const props = defineProps<{ id: string; material: Material; field: string; label: string }>()
const studio = useStudio()

const words = computed((): FieldWords | undefined => {
  if (props.material.kind === 'resin') return resinFieldWords[props.field as keyof Resin]
  if (props.material.kind === 'silicone') {
    return siliconeFieldWords[props.field as keyof typeof siliconeFieldWords]
  }
  return undefined
})

const resin = computed(() =>
  props.material.kind === 'resin' ? { id: props.id, document: props.material } : undefined,
)
const law = useLaw(() => resin.value?.document)
const uses = useUses(() => resin.value)
const chosen = ref(0)
watch(uses, () => (chosen.value = 0))
const use = computed(() => uses.value[Math.min(chosen.value, uses.value.length - 1)])

const changed = computed(() => resin.value && withFifthMore(resin.value.document, props.field))
const now = shallowRef<CureTimes>()
const then = shallowRef<CureTimes>()
watch(
  () => [resin.value?.document, use.value, changed.value] as const,
  async ([document, at, other]) => {
    if (!document) return (now.value = then.value = undefined)
    const asked = [document, ...(other ? [other] : [])].map((of) => ({ ...at.batch, resin: of }))
    const [first, second] = await askTimes(asked).catch(() => [])
    if (resin.value?.document !== document) return
    now.value = first
    then.value = second
  },
  { immediate: true },
)
const rows = computed(() => {
  const line = (label: string, of: (times: CureTimes) => string) => ({
    label,
    now: now.value ? of(now.value) : '',
    then: then.value ? of(then.value) : undefined,
  })
  const duration = (key: 'pourable' | 'gel' | 'joinUntil' | 'demould') => (times: CureTimes) =>
    showDuration(times[key])
  return [
    line('The cup pours for', duration('pourable')),
    line('It gels after', duration('gel')),
    line('A next layer bonds until', duration('joinUntil')),
    line('Out of the mould after', duration('demould')),
    line('Hottest', ({ peak }) =>
      peak ? show(peak.temperature, 'temperature', studio.units) : '',
    ),
  ]
})

const working = computed(() => {
  const { material } = props
  if (material.kind !== 'silicone') return []
  const silicone = workingLaw(material)
  return [291.15, 294.15, 297.15, 301.15].map((room) => ({
    room,
    time: workingTime(silicone, room),
  }))
})
</script>

<template>
  <section class="reader" aria-label="What the sheet says">
    <template v-if="words">
      <h2>{{ label }}</h2>
      <p>{{ words.says }}</p>
      <p class="quiet">{{ words.decides }}</p>
    </template>
    <template v-else>
      <h2>Reading a sheet</h2>
      <p class="quiet">Touch a field: here stands what it means, and what it does to a piece.</p>
    </template>

    <template v-if="resin && now">
      <PlainSelect
        label="In"
        :options="uses.map((one, i) => ({ value: String(i), label: one.label }))"
        :value="String(chosen)"
        @choose="chosen = Number($event)"
      />
      <table class="sums">
        <thead>
          <tr>
            <th scope="col">What it does</th>
            <th scope="col">as it is</th>
            <th v-if="then" scope="col">a fifth more</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.label">
            <th scope="row">{{ row.label }}</th>
            <td>{{ row.now }}</td>
            <td v-if="then" :class="{ moves: row.then !== row.now }">{{ row.then }}</td>
          </tr>
        </tbody>
      </table>
      <CautionNote v-for="caution in law?.cautions ?? []" :key="caution.code" :caution="caution" />
    </template>
    <table v-if="working.length > 0" class="sums">
      <thead>
        <tr>
          <th scope="col">In a room of</th>
          <th scope="col">it can be worked for</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in working" :key="row.room">
          <th scope="row">{{ show(row.room, 'temperature', studio.units) }}</th>
          <td>{{ showDuration(row.time) }}</td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
.reader {
  display: flex;
  flex-direction: column;
  gap: 10px;
}

td {
  font: 600 var(--size) var(--num);
  white-space: nowrap;
}

td.moves {
  color: var(--amber);
}
</style>
