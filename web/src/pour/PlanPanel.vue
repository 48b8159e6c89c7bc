<script setup lang="ts">
import { computed } from 'vue'
import { safetyFor } from '@mivro/core/caution'
import type { Plan } from '@mivro/core/plan'
import { show, showDuration } from '@mivro/core/units'
import { usePiece } from '../piece/pieceStore.ts'
import { useStudio } from '../studio/studioStore.ts'
import CautionNote from '../ui/CautionNote.vue'
import CountField from '../ui/CountField.vue'
import QuantityField from '../ui/QuantityField.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'

const piece = usePiece()
const studio = useStudio()
const plan = computed(() => piece.document!)
const compiled = computed(() => piece.compiled!)

const change = (values: Partial<Plan>) => piece.change({ ...plan.value, ...values })
const whole = computed(() => compiled.value.cautions.filter((c) => c.place.layer === undefined))
const inLayers = computed(() =>
  compiled.value.cautions.filter((c) => c.place.layer !== undefined && c.severity === 'stop'),
)
const demoulding = computed(() =>
  safetyFor(
    'demould',
    compiled.value.layers.flatMap((layer) => layer.hazards),
  ),
)
const openPlan = (event: Event) =>
  piece.open(piece.piece!.id, (event.target as HTMLSelectElement).value)

const moulds = [
  {
    value: 'open',
    label: 'Open',
    hint: 'The back is open to the air; what is poured first is the face',
  },
  { value: 'closed', label: 'Closed', hint: 'Filled through a gate' },
]
</script>

<template>
  <label v-if="piece.plans.length > 1" class="pick">
    <span>Pours of this piece</span>
    <select :value="piece.plan!.id" @change="openPlan">
      <option v-for="entry in piece.plans" :key="entry.id" :value="entry.id">
        {{ entry.id === piece.plan!.id ? plan.name : entry.document.name }}
      </option>
    </select>
  </label>
  <TextField
    bare
    heading
    label="Name of the pour"
    :value="plan.name"
    :take="(name) => change({ name })"
  />
  <SegmentField
    label="Mould"
    :options="moulds"
    :value="plan.mould"
    @choose="change({ mould: $event as Plan['mould'] })"
  />
  <CountField label="Copies" :value="plan.copies" :take="(copies) => change({ copies })" />
  <QuantityField
    label="Room"
    kind="temperature"
    :value="plan.room"
    :take="(room) => change({ room: room ?? 0 })"
  />
  <QuantityField
    label="Stays in the gate of each copy"
    kind="volume"
    :value="plan.gate"
    :take="(gate) => change({ gate: gate ?? 0 })"
  />
  <QuantityField
    label="Reserve for cups and tools"
    kind="fraction"
    :value="plan.reserve"
    :take="(reserve) => change({ reserve: reserve ?? 0 })"
  />
  <QuantityField
    label="The scale reads to"
    kind="mass"
    :step="plan.scaleStep"
    :value="plan.scaleStep"
    :take="(scaleStep) => change({ scaleStep: scaleStep ?? 0 })"
  />

  <CautionNote
    v-for="caution in [...inLayers, ...whole]"
    :key="caution.code + caution.place.layer"
    :caution="caution"
  />

  <template v-if="compiled.needs.length > 0">
    <table>
      <thead>
        <tr>
          <th scope="col">Taken from the shelf</th>
          <th scope="col">in all</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="need in compiled.needs" :key="need.name">
          <th scope="row">{{ need.name }}</th>
          <td>
            {{
              show(need.mass, 'mass', studio.units, {
                step: need.mass < 20 * plan.scaleStep ? plan.scaleStep / 10 : plan.scaleStep,
              })
            }}
          </td>
        </tr>
      </tbody>
    </table>
    <SafetyLines before="Before you demould" :lines="demoulding" with-deferring />
    <p v-if="compiled.demouldAt" class="row quiet">
      Out of the mould from
      <b class="num">{{ showDuration(compiled.demouldAt) }}</b>
    </p>
  </template>
  <TextField
    label="Notes"
    :lines="2"
    :value="plan.note"
    placeholder="What this pour should show"
    :take="(note) => change({ note })"
  />
</template>

<style scoped>
.pick {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 12px;
  color: var(--ink-2);
  font-size: 12px;
}

.pick select {
  max-width: 200px;
  border: 0;
  border-bottom: 1.5px solid var(--edge);
  padding: 4px 2px;
  background: transparent;
  color: var(--ink);
  font: 600 13px var(--text);
}

table {
  width: 100%;
  border-collapse: collapse;
  font-feature-settings: 'tnum';
}

th,
td {
  padding: 5px 0;
  border-bottom: 1px solid var(--line-2);
  font-weight: 400;
  text-align: left;
}

thead th {
  color: var(--ink-2);
  font-size: 12px;
}

td,
thead th:last-child {
  text-align: right;
  white-space: nowrap;
}

td {
  font: 650 14px var(--num);
}
</style>
