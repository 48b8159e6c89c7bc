<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElColorPicker, ElDatePicker } from 'element-plus'
import { caution } from '@mivro/core/base/caution'
import { readDocument } from '@mivro/core/base/document'
import {
  materialSchema,
  slipsOf,
  twinOf,
  withTyped,
  bodies,
  tintForms,
  type ResinClass,
} from '@mivro/core/matter/material'
import { bodyOf } from '@mivro/core/matter/colour'
import { colourOf } from '@mivro/core/matter/inclusion'
import { resinClassWords, tintFormWords } from '@mivro/words/material'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import type { Session } from '../api/session.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import CountField from '../ui/CountField.vue'
import { dayFormat } from '../ui/dates.ts'
import FieldRow from '../ui/FieldRow.vue'
import { fieldsOf } from '../ui/fields.ts'
import SelectField from '../ui/SelectField.vue'
import QuantityField from '../ui/QuantityField.vue'
import SegmentField from '../ui/SegmentField.vue'
import TextField from '../ui/TextField.vue'
import { useShelf } from '../project/shelfStore.ts'
import RatioField from '../ui/RatioField.vue'
import { sheetEntries } from './sheetEntries.ts'
import SeenAtTheBench from './SeenAtTheBench.vue'
import ThingFields from '../thing/ThingFields.vue'
import RecipeParts from './RecipeParts.vue'
import RecipeUse from './RecipeUse.vue'
import TintChips from './TintChips.vue'
import SheetReader from './SheetReader.vue'

const props = defineProps<{ session: Session<'materials'> }>()
const shelf = useShelf()
const material = computed(() => props.session.document)

function change(values: object): Problem | undefined {
  try {
    const next = readDocument(materialSchema, withTyped(material.value, values))
    props.session.edit(next)
    shelf.follow(props.session.id, next)
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}

const twin = computed(() =>
  twinOf(
    material.value,
    shelf.stored.filter(({ id }) => id !== props.session.id).map(({ document }) => document),
  ),
)
const slips = computed(() => [
  ...slipsOf(material.value),
  ...(twin.value
    ? [caution('same-name', 'warn', { field: 'name' }, { name: material.value.name })]
    : []),
])

/** The field that is explained: the one touched last. */
const field = ref('')
const label = ref('')
function touched(event: FocusEvent): void {
  const at = (event.target as HTMLElement).closest<HTMLElement>('[data-field]')
  if (!at) return
  field.value = at.dataset.field!
  label.value = at.dataset.label!
}
const slipsAt = (field: string) => slips.value.filter((slip) => slip.place.field === field)

const shown = computed(() => sheetEntries[material.value.kind])
const { field: typed, choice } = fieldsOf(() => material.value, change)
const isAssumed = (key: string) =>
  'assumed' in material.value && (material.value.assumed?.includes(key) ?? false)
/** The sheet says what stands there. */
const confirm = (key: string) => change({ [key]: (material.value as never)[key] })
const valueOf = (key: string) =>
  (material.value as unknown as Record<string, number | undefined>)[key]
const readings = [
  { value: 'cup', label: 'In the cup', hint: 'Viscosity doubled, as the cup warms itself' },
  { value: 'thin film', label: 'In a film', hint: 'Viscosity doubled at the sheet’s temperature' },
  { value: 'gel', label: 'As gel', hint: 'Until it gels in the cup' },
]
const forms = tintForms.map((value) => ({
  value,
  label: tintFormWords[value].replace(/^an? /, ''),
}))
const carrierOptions = [
  { value: 'none', label: 'Nothing' },
  { value: 'solvent', label: 'Solvent' },
  { value: 'water', label: 'Water' },
]
const bodyOptions = bodies
const classes = (Object.keys(resinClassWords) as ResinClass[]).map((value) => ({
  value,
  label: resinClassWords[value].replace(/^an? /, ''),
}))
</script>

<template>
  <div class="split">
    <section class="panel sheet" aria-label="The sheet" @focusin="touched">
      <div class="head">
        <ElColorPicker
          v-if="material.kind === 'inclusion' || 'colour' in material"
          :model-value="material.kind === 'inclusion' ? colourOf(material) : material.colour"
          :aria-label="
            material.kind === 'recipe' ? 'Colour it came out' : 'Colour it is drawn with'
          "
          @update:model-value="$event && change({ colour: $event })"
        />
        <TextField bare heading label="Name" v-bind="typed('name')" />
      </div>
      <CautionNotes :of="slipsAt('name')" />
      <div class="stack">
        <SelectField
          v-if="material.kind === 'resin'"
          label="Resin type"
          :options="classes"
          v-bind="choice('class')"
        />
        <SegmentField
          v-if="material.kind === 'silicone'"
          label="Cures by"
          :options="{ platinum: 'Platinum', tin: 'Tin' }"
          v-bind="choice('chemistry')"
        />
        <template v-if="material.kind === 'resin' || material.kind === 'silicone'">
          <h3>Mixing</h3>
          <RatioField
            data-field="ratio"
            data-label="Mix ratio"
            :ratio="material.ratio"
            :take="(ratio) => change({ ratio })"
            :assumed="isAssumed('ratio')"
            @confirm="confirm('ratio')"
          />
          <TextField label="Name of part A" v-bind="typed('nameA')" />
          <TextField label="Name of part B" v-bind="typed('nameB')" />
        </template>
        <template v-if="material.kind === 'resin'">
          <SegmentField
            label="Tint goes into"
            :options="{ A: 'Part A', B: 'Part B' }"
            v-bind="choice('tintInto')"
          />
          <p v-if="material.class.includes('urethane')" class="small quiet">
            For a urethane that is the polyol side, never the isocyanate: damp foams it.
          </p>
        </template>
        <template v-if="material.kind === 'silicone'">
          <CountField label="Hardness, Shore A" v-bind="typed('hardness')" />
          <SegmentField
            label="Seen through"
            :options="{ clear: 'Clear', translucent: 'Milky', opaque: 'Opaque' }"
            v-bind="choice('clarity')"
          />
          <CountField
            label="Price of a kit"
            :value="material.kitPrice ?? 0"
            :take="(kitPrice) => change({ kitPrice: kitPrice || undefined })"
          />
        </template>
        <SelectField
          v-if="material.kind === 'tint'"
          label="Kind of tint"
          :options="forms"
          :value="material.form"
          @choose="change({ form: $event })"
        />
        <SegmentField
          v-if="material.kind === 'tint'"
          label="Thinned with"
          :options="carrierOptions"
          :value="material.carrier ?? 'none'"
          @choose="change({ carrier: $event === 'none' ? undefined : $event })"
        />
        <SelectField
          v-if="material.kind === 'resin'"
          label="Body colour"
          :options="bodyOptions"
          :value="bodyOf(material)"
          @choose="change({ body: $event })"
        />
        <RecipeParts
          v-if="material.kind === 'recipe'"
          :parts="material.parts"
          :take="(parts) => change({ parts })"
        />
        <template v-for="group in shown" :key="group.title">
          <h3>{{ group.title }}</h3>
          <template v-for="entry in group.entries" :key="entry.key">
            <div :data-field="entry.key" :data-label="entry.label">
              <QuantityField
                :label="entry.label"
                :kind="entry.kind"
                :step="entry.step"
                :optional="entry.optional !== undefined"
                :placeholder="entry.optional"
                :value="valueOf(entry.key)"
                :assumed="isAssumed(entry.key)"
                :take="(value: number | undefined) => change({ [entry.key]: value })"
                @confirm="confirm(entry.key)"
              />
            </div>
            <SegmentField
              v-if="entry.key === 'potMass' && material.kind === 'resin'"
              data-field="potLifeMeans"
              data-label="How pot life is read"
              label="Pot life read"
              :options="readings"
              :value="material.potLifeMeans ?? 'cup'"
              @choose="change({ potLifeMeans: $event })"
            />
            <CautionNotes :of="slipsAt(entry.key)" />
          </template>
        </template>
        <template v-if="material.kind === 'inclusion'">
          <h3>What it is</h3>
          <ThingFields :thing="material" :take="change" />
        </template>
        <TextField
          label="Notes"
          :lines="4"
          v-bind="typed('note')"
          placeholder="Lot, where it is kept, how it behaves"
        />
      </div>
    </section>
    <aside v-if="material.kind === 'recipe'" class="panel beside" aria-label="Recipe">
      <RecipeUse :recipe="material" />
    </aside>
    <aside v-if="material.kind === 'tint'" class="panel beside" aria-label="Chips and ladder">
      <TintChips :key="session.id" :tint="material" :take="(swatches) => change({ swatches })" />
    </aside>
    <aside
      v-if="material.kind === 'resin' || material.kind === 'silicone'"
      class="panel beside"
      aria-label="Reading the sheet"
    >
      <SheetReader :id="session.id" :material="material" :field="field" :label="label" />
      <FieldRow v-if="material.kind === 'resin'" label="Bottles opened on">
        <ElDatePicker
          class="line"
          :model-value="material.opened"
          :format="dayFormat"
          value-format="YYYY-MM-DD"
          placeholder="not written down"
          aria-label="Bottles opened on"
          @update:model-value="change({ opened: $event ?? undefined })"
        />
      </FieldRow>
      <SeenAtTheBench
        :key="session.id"
        :material="material"
        :take="(observations) => change({ observations })"
      />
    </aside>
  </div>
</template>

<style scoped>
.split > :only-child {
  grid-column: 1 / 3;
}

.beside {
  display: flex;
  flex-direction: column;
  gap: 18px;
  padding: 16px;
  overflow: hidden auto;
}

.beside > * {
  flex: none;
}

.sheet > .stack {
  margin-top: 14px;
}

.sheet {
  padding: 16px 20px 20px;
  overflow: hidden auto;
}

.head {
  display: flex;
  align-items: center;
  gap: 14px;
}

.head > :last-child {
  flex: 1;
}

.head :deep(input.heading) {
  font-size: var(--size-head);
}

h3 {
  margin-top: 6px;
  padding-bottom: 4px;
  border-bottom: 1px solid var(--line);
  font: 650 var(--size-lead) var(--num);
}
</style>
