<script setup lang="ts">
import type { Silicone } from '@mivro/core/matter/material'
import type { CompiledMould } from '@mivro/core/mould'
import { show } from '@mivro/core/base/units'
import AtTheCup from '../../weigh/AtTheCup.vue'
import { useStudio } from '../../project/studioStore.ts'
import WeighTable from '../../weigh/WeighTable.vue'
import WorkedFor from './WorkedFor.vue'

/** What to weigh of the silicone, half by half, and how long it can be worked. */
defineProps<{
  compiled: CompiledMould
  /** Material; as it is in this room, and as its sheet has it. */
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
  <template v-for="{ half, need } in compiled.pours" :key="half">
    <h3 v-if="half !== 'whole'">
      {{ half === 'first' ? 'First half' : 'Second half' }}, {{ grams(need.mass) }}
    </h3>
    <WeighTable
      :weighing="need.weighing"
      :copies="1"
      :step="step"
      title="Weigh"
      portions="batches"
    />
    <p class="small quiet">
      By volume: {{ show(need.byVolume.a, 'volume', studio.units) }} and
      {{ show(need.byVolume.b, 'volume', studio.units)
      }}{{ need.weighing.cups > 1 ? ' in each' : '' }}.
    </p>
    <AtTheCup
      v-if="sheet && id"
      :material="id"
      :two-part="sheet"
      :weighing="need.weighing"
      :step="step"
      :room="room"
    />
  </template>
  <WorkedFor v-if="here && sheet" :here="here" :sheet="sheet" />
</template>
