<script setup lang="ts">
import type { Silicone } from '@mivro/core/material'
import type { CompiledMould } from '@mivro/core/mould'
import { show } from '@mivro/core/units'
import AtTheCup from '../../desk/AtTheCup.vue'
import { useStudio } from '../../studio/studioStore.ts'
import WeighTable from '../../ui/WeighTable.vue'
import WorkedFor from './WorkedFor.vue'

/** What to weigh of the silicone, half by half, and how long it can be worked. */
defineProps<{
  compiled: CompiledMould
  /** Of the shelf; as it is in this room, and as its sheet has it. */
  id?: string
  here?: Silicone
  sheet?: Silicone
  step: number
  room: number
}>()
const studio = useStudio()
const grams = (kg: number) => show(kg, 'mass', studio.units, { step: 1e-3 })
</script>

<template>
  <template v-for="{ half, need } in compiled.halves" :key="half">
    <h3>{{ half === 'first' ? 'First half' : 'Second half' }}, {{ grams(need.mass) }}</h3>
    <WeighTable :weighing="need.weighing" :copies="1" :step="step" title="Weigh" />
  </template>
  <template v-if="compiled.need">
    <WeighTable
      v-if="compiled.halves.length === 0"
      :weighing="compiled.need.weighing"
      :copies="1"
      :step="step"
      title="Weigh"
    />
    <AtTheCup
      v-if="sheet && id"
      :material="id"
      :two-part="sheet"
      :weighing="compiled.need.weighing"
      :step="step"
      :room="room"
    />
  </template>
  <WorkedFor v-if="here && sheet" :here="here" :sheet="sheet" />
  <p v-if="compiled.need" class="small quiet">
    By volume: {{ show(compiled.need.byVolume.a, 'volume', studio.units) }} and
    {{ show(compiled.need.byVolume.b, 'volume', studio.units) }}.
  </p>
</template>
