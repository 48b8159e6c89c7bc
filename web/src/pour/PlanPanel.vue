<script setup lang="ts">
import { computed } from 'vue'
import { safetyFor } from '@mivro/core/caution'
import { displayStep } from '@mivro/core/mix'
import type { Plan } from '@mivro/core/plan'
import { show, showDuration } from '@mivro/core/units'
import { usePiece } from '../piece/pieceStore.ts'
import { useStudio } from '../studio/studioStore.ts'
import CautionNote from '../ui/CautionNote.vue'
import CountField from '../ui/CountField.vue'
import { api } from '../api/client.ts'
import PlainSelect from '../ui/PlainSelect.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import SegmentField from '../ui/SegmentField.vue'
import { sayTakenOff } from '../ui/takenOff.ts'
import RoomFields from './RoomFields.vue'
import TextField from '../ui/TextField.vue'

const piece = usePiece()
const studio = useStudio()
const plan = computed(() => piece.document!)
const compiled = computed(() => piece.compiled!)

const change = (values: Partial<Plan>) => piece.change({ ...plan.value, ...values })
/** What is known of the shape bears on every weight. */
const ofShape = computed(() => piece.survey?.cautions ?? [])
const whole = computed(() =>
  compiled.value.cautions.filter(
    (c) => c.place.layer === undefined && c.place.field !== 'humidity',
  ),
)
const inLayers = computed(() =>
  compiled.value.cautions.filter((c) => c.place.layer !== undefined && c.severity === 'stop'),
)
const demoulding = computed(() =>
  safetyFor(
    'demould',
    compiled.value.layers.flatMap((layer) => layer.hazards),
  ),
)
const pours = computed(() =>
  piece.plans.map(({ id, document }) => ({
    value: id,
    label: id === piece.plan!.id ? plan.value.name : document.name,
  })),
)

const { problems, trying } = useProblems()
const remove = () =>
  trying(async () => {
    const { name } = plan.value
    const id = await piece.removePlan()
    sayTakenOff(name, () =>
      trying(async () => {
        await api.restore('plans', id)
        await piece.open(piece.piece!.id, id)
      }),
    )
  })

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
  <div v-if="piece.plans.length > 1" class="pours">
    <PlainSelect
      label="Pours of this piece"
      :options="pours"
      :value="piece.plan!.id"
      @choose="piece.open(piece.piece!.id, $event)"
    />
    <RemoveButton :label="`Take ${plan.name} off`" @click="remove" />
  </div>
  <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
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
  <RoomFields :take="change" />
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
    v-for="caution in [...inLayers, ...ofShape, ...whole]"
    :key="caution.code + caution.place.layer"
    :caution="caution"
  />

  <template v-if="compiled.needs.length > 0">
    <table class="sums">
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
                step: displayStep(need.mass, plan.scaleStep),
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
.pours {
  display: grid;
  grid-template-columns: 1fr auto;
  gap: 6px;
}

td {
  font: 650 14px var(--num);
  white-space: nowrap;
}
</style>
