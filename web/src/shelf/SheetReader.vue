<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { ElTable, ElTableColumn } from 'element-plus'
import { workingLaw, workingTime, type CureTimes } from '@mivro/core/matter/cure'
import { withFifthMore, type Material, type Resin } from '@mivro/core/matter/material'
import { show, showDuration } from '@mivro/core/base/units'
import { resinFieldWords, siliconeFieldWords, type FieldWords } from '@mivro/words/material'
import { useStudio } from '../project/studioStore.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import SelectField from '../ui/SelectField.vue'
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
    line('Recoat window until', duration('joinUntil')),
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
  <section class="stack-10" aria-label="What the sheet says">
    <template v-if="words">
      <h2>{{ label }}</h2>
      <p>{{ words.says }}</p>
      <p class="quiet">{{ words.decides }}</p>
    </template>
    <template v-else>
      <h2>Reading a sheet</h2>
      <p class="quiet">Click a field to see what it means and what it does to a piece.</p>
    </template>

    <template v-if="resin && now">
      <SelectField
        label="Example"
        :options="uses.map((one, i) => ({ value: String(i), label: one.label }))"
        :value="String(chosen)"
        @choose="chosen = Number($event)"
      />
      <ElTable :data="rows" table-layout="auto">
        <ElTableColumn min-width="40" prop="label" label="What it does" />
        <ElTableColumn min-width="40" prop="now" label="as it is" align="right" class-name="num" />
        <ElTableColumn
          v-if="then"
          v-slot="{ row }"
          min-width="40"
          label="a fifth more"
          align="right"
        >
          <span class="num" :class="{ moves: row.then !== row.now }">{{ row.then }}</span>
        </ElTableColumn>
      </ElTable>
      <CautionNotes :of="law?.cautions ?? []" />
    </template>
    <ElTable v-if="working.length > 0" :data="working" table-layout="auto">
      <ElTableColumn v-slot="{ row }" min-width="40" label="In a room of">
        {{ show(row.room, 'temperature', studio.units) }}
      </ElTableColumn>
      <ElTableColumn
        v-slot="{ row }"
        min-width="40"
        label="it can be worked for"
        align="right"
        class-name="num"
      >
        {{ showDuration(row.time) }}
      </ElTableColumn>
    </ElTable>
  </section>
</template>

<style scoped>
.moves {
  color: var(--amber);
}
</style>
