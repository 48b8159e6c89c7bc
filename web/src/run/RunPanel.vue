<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElDatePicker } from 'element-plus'
import { Plus } from 'lucide-vue-next'
import { safetyFor } from '@mivro/core/base/caution'
import { resinClasses } from '@mivro/core/matter/material'
import { prefillTakes, type BenchWindow, type PourOfRun } from '@mivro/core/work/run'
import { wayWords } from '@mivro/words/air'
import { sayOffer, sayPrefill } from '@mivro/words/run'
import { newId } from '../api/client.ts'
import { useStudio } from '../project/studioStore.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import CountField from '../ui/CountField.vue'
import { dayFormat } from '../ui/dates.ts'
import FieldRow from '../ui/FieldRow.vue'
import { fieldsOf } from '../ui/fields.ts'
import Fold from '../ui/Fold.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import SegmentField from '../ui/SegmentField.vue'
import SelectField from '../ui/SelectField.vue'
import TextField from '../ui/TextField.vue'
import TimeField from '../ui/TimeField.vue'
import type { OpenRun } from './useRun.ts'

/** What a run is planned with: its pieces, the bench, the hours; and what would change it. */
const props = defineProps<{ open: OpenRun }>()
const studio = useStudio()
const run = computed(() => props.open.run.value!)
const { change, known, compiled, offers } = props.open

const nameOf = (piece: string) =>
  known.pieces.value.find(({ id }) => id === piece)?.document.name ?? 'A piece that is gone'
const choices = computed(() => [
  { value: '', label: 'choose a piece' },
  ...known.pieces.value.map(({ id, document }) => ({ value: id, label: document.name })),
])
const add = async (piece: string) => {
  const casts = await known.copiesOf(piece)
  change({ pours: [...run.value.pours, { id: newId(), piece, casts }] })
}
const edit = (id: string, values: Partial<PourOfRun>) =>
  change({
    pours: run.value.pours.map((pour) => (pour.id === id ? { ...pour, ...values } : pour)),
  })
const remove = (id: string) => change({ pours: run.value.pours.filter((one) => one.id !== id) })
const onHand = (id: string) => known.pours.value.find((pour) => pour.id === id)?.moulds ?? 1
const cavitiesOf = (id: string) => known.pours.value.find((pour) => pour.id === id)?.cavities ?? 1
const plansOf = (piece: string) =>
  (known.plans.value.get(piece) ?? []).map(({ id, document }) => ({
    value: id,
    label: document.name,
  }))

const prefilled = computed(() => known.pours.value.some(({ prefills }) => prefills > 0))
const byMachine = computed(() =>
  known.pours.value.some(({ layers }) => layers.some(({ turned }) => turned?.by === 'machine')),
)
/** What hands take for it, in the busiest cup, s. */
const costs = computed(() =>
  prefillTakes(compiled.value?.loads.flatMap(({ mixes }) => mixes) ?? []),
)
const ways = (['none', 'vacuum', 'pressure', 'both'] as const).map((way) => ({
  value: way,
  label: wayWords[way],
}))
const window = (at: number, values: Partial<BenchWindow>) =>
  change({ windows: run.value.windows.map((one, i) => (i === at ? { ...one, ...values } : one)) })
const hour = 3600
const addWindow = () =>
  change({ windows: [...run.value.windows, { from: 20 * hour, until: 22 * hour }] })
const removeWindow = (at: number) =>
  change({ windows: run.value.windows.filter((_, i) => i !== at) })

const cautions = computed(
  () => compiled.value?.cautions.filter(({ code }) => code !== 'run-empty') ?? [],
)
const safety = computed(() => {
  const resins = known.pours.value.flatMap(({ layers }) => layers.map(({ resin }) => resin))
  const hazards = resins.map(({ class: kind }) => resinClasses[kind].hazard)
  const pressed = run.value.way === 'pressure' || run.value.way === 'both'
  const pumped = run.value.way === 'vacuum' || run.value.way === 'both'
  return [
    ...(resins.length > 0 ? safetyFor('weigh', hazards) : []),
    ...(pumped ? safetyFor('vacuum', ['vacuum vessel']) : []),
    ...(pressed ? safetyFor('pressure', ['pressure vessel']) : []),
  ]
})
const { field, choice } = fieldsOf(() => run.value, change)
</script>

<template>
  <aside class="panel side" aria-label="What the run is planned with">
    <TextField label="Name" v-bind="field('name')" />
    <CautionNotes :of="compiled && compiled.loads.length > 0 ? cautions : []" />
    <h2>What is cast</h2>
    <div
      v-for="pour in run.pours"
      :key="pour.id"
      class="pour"
      role="group"
      :aria-label="nameOf(pour.piece)"
    >
      <div class="row">
        <RouterLink :to="{ name: 'pour', params: { id: pour.piece } }">{{
          nameOf(pour.piece)
        }}</RouterLink>
        <RemoveButton :label="`Delete ${nameOf(pour.piece)}`" @click="remove(pour.id)" />
      </div>
      <SelectField
        v-if="plansOf(pour.piece).length > 1"
        label="Its pour"
        :options="plansOf(pour.piece)"
        :value="pour.plan ?? plansOf(pour.piece).at(-1)!.value"
        @choose="edit(pour.id, { plan: $event })"
      />
      <CountField
        label="Casts wanted"
        :value="pour.casts"
        :take="(casts) => edit(pour.id, { casts })"
      />
      <CountField
        label="Moulds in use"
        :value="pour.moulds ?? onHand(pour.id)"
        :take="(moulds) => edit(pour.id, { moulds })"
      />
      <p v-if="cavitiesOf(pour.id) > 1" class="quiet small">
        Each casts {{ cavitiesOf(pour.id) }} at once:
        <RouterLink :to="{ name: 'mould', params: { id: pour.piece, topic: 'kind' } }"
          >cavities of the mould</RouterLink
        >
      </p>
    </div>
    <SelectField
      label="Add a piece"
      filterable
      :options="choices"
      value=""
      @choose="$event && add($event)"
    />
    <template v-if="offers.length > 0">
      <h2>What would change it</h2>
      <ul class="offers stack-8">
        <li v-for="offer in offers.slice(0, 5)" :key="offer.what + offer.name">
          <span>{{ sayOffer(offer, studio.units) }}</span>
          <ElButton v-if="offer.run" size="small" @click="change(offer.run)">Use</ElButton>
        </li>
      </ul>
    </template>
    <h2>The bench</h2>
    <SegmentField label="Against bubbles" :options="ways" v-bind="choice('way')" above />
    <template v-if="prefilled">
      <SegmentField
        above
        label="Tight places are prefilled"
        :options="{ 'from the cup': 'From the cup', 'small mix': 'From a small mix before' }"
        :value="run.prefill ?? 'from the cup'"
        @choose="change({ prefill: $event })"
      />
      <p v-if="costs > 0" class="quiet small" data-prefill>
        {{ sayPrefill(costs, run.prefill ?? 'from the cup') }}
      </p>
    </template>
    <SegmentField
      label="Pairs of hands"
      :options="[
        { value: '1', label: 'One' },
        { value: '2', label: 'Two' },
      ]"
      :value="run.hands === 2 ? '2' : '1'"
      @choose="change({ hands: Number($event) })"
    />
    <QuantityField label="Room" kind="temperature" v-bind="field('room')" />
    <QuantityField
      label="Parts when they meet"
      kind="temperature"
      optional
      placeholder="as the room"
      v-bind="field('parts')"
    />
    <QuantityField
      label="Laying out before the first mix"
      kind="duration"
      v-bind="field('layOut')"
    />
    <CountField
      v-if="byMachine"
      label="Moulds on the turning machine at once"
      :value="run.onMachine ?? 1"
      :take="(onMachine) => change({ onMachine })"
    />
    <Fold title="Limits">
      <CountField
        label="Moulds from one cup, 0 for as many as there is time for"
        :value="run.perMix ?? 0"
        :take="(perMix) => change({ perMix: perMix === 0 ? undefined : perMix })"
      />
      <CountField
        label="Loads in a day, 0 for as many as there is time for"
        :value="run.loadsPerDay ?? 0"
        :take="
          (loadsPerDay) => change({ loadsPerDay: loadsPerDay === 0 ? undefined : loadsPerDay })
        "
      />
    </Fold>
    <h2>The hours</h2>
    <FieldRow label="First day">
      <ElDatePicker
        type="date"
        :format="dayFormat"
        value-format="YYYY-MM-DD"
        aria-label="First day"
        :model-value="run.date"
        @update:model-value="change({ date: $event ?? undefined })"
      />
    </FieldRow>
    <TimeField label="First mix at" v-bind="field('begin')" />
    <div v-for="(one, i) in run.windows" :key="i" class="window">
      <TimeField
        :label="i === 0 ? 'At the bench from' : 'and from'"
        :value="one.from"
        :take="(from) => window(i, { from: from ?? 0 })"
      />
      <TimeField
        label="until"
        :value="one.until"
        :take="(until) => window(i, { until: until ?? 0 })"
      />
      <RemoveButton
        v-if="run.windows.length > 1"
        :label="`Delete the hours from ${i + 1}`"
        @click="removeWindow(i)"
      />
    </div>
    <ElButton
      v-if="run.windows.length < 6"
      link
      type="primary"
      class="add start"
      @click="addWindow"
    >
      <Plus :size="14" aria-hidden="true" />Add hours
    </ElButton>
    <SafetyLines
      v-if="safety.length > 0"
      before="Before you begin"
      :lines="safety"
      with-deferring
    />
  </aside>
</template>

<style scoped>
.side {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 14px 16px;
  overflow: hidden auto;
  scrollbar-width: thin;
}

.side > * {
  flex: none;
}

.side h2 {
  margin-top: 8px;
}

.pour {
  display: flex;
  flex-direction: column;
  gap: 8px;
  padding-bottom: 10px;
  border-bottom: 1px solid var(--line-2);
}

.pour .row {
  justify-content: space-between;
  font-weight: 600;
}

.offers li {
  display: flex;
  align-items: center;
  justify-content: space-between;
  gap: 10px;
}

.window {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  align-items: center;
  gap: 4px 10px;
}

.window > :first-child {
  grid-column: 1 / 3;
}
</style>
