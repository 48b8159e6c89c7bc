<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton, ElColorPicker, ElTable, ElTableColumn } from 'element-plus'
import { bodyMatter, guessedSwatch, tintLadder } from '@mivro/core/matter/colour'
import type { Swatch, Tint } from '@mivro/core/matter/material'
import { displayStep } from '@mivro/core/matter/mix'
import type { Problem } from '@mivro/core/base/problem'
import { show } from '@mivro/core/base/units'
import { newId } from '../api/client.ts'
import { useStudio } from '../project/studioStore.ts'
import CountField from '../ui/CountField.vue'
import { download, fileName } from '../ui/download.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import { ladderPdf } from './ladderPdf.ts'

/** Chips cast of a tint: what it is known by, and a ladder to cast more. */
const props = defineProps<{
  tint: Tint
  take: (swatches: Swatch[] | undefined) => Problem | undefined
}>()
const studio = useStudio()
const { problems, trying } = useProblems()
const chips = computed(() => props.tint.swatches ?? [])
const share = (dose: number) => show(dose, 'fraction', studio.units)

const add = (chip: Omit<Swatch, 'id'>) =>
  props.take([...chips.value, { id: newId().slice(0, 12), ...chip }])
const change = (i: number, values: Partial<Swatch>) =>
  props.take(chips.value.with(i, { ...chips.value[i], ...values }))
function remove(i: number): void {
  const left = chips.value.toSpliced(i, 1)
  props.take(left.length > 0 ? left : undefined)
}

/** A ladder to cast: so many chips, each of so much clear resin, kg, and so deep, m. */
const count = ref(5)
const resin = ref(0.01)
const depth = ref(0.005)
/** The scale that ladders are weighed on, kg. */
const step = 1e-5
const least = 4
const most = 6
const ladder = computed(() =>
  tintLadder(props.tint, bodyMatter({ class: 'coating epoxy' }), {
    chips: count.value,
    resin: resin.value,
    depth: depth.value,
  }),
)
const mass = (kg: number) => show(kg, 'mass', studio.units, { step: displayStep(kg, step) })
const print = () =>
  trying(async () =>
    download(
      `${fileName(props.tint.name)}-ladder.pdf`,
      await ladderPdf(props.tint, ladder.value, { depth: depth.value, step }, studio.units),
      'application/pdf',
    ),
  )
</script>

<template>
  <section class="chips stack-8" aria-label="Chips">
    <h2>Chips</h2>
    <p v-if="chips.length === 0" class="small quiet">
      No chip yet, so it is taken as the colour above at {{ share(guessedSwatch(tint).dose) }},
      {{ show(guessedSwatch(tint).depth, 'length', studio.units) }} deep over white. Cast one and
      say here how it came out.
    </p>
    <div v-for="(chip, i) in chips" :key="chip.id" class="chip" data-chip>
      <ElColorPicker
        :model-value="chip.colour"
        :aria-label="`Colour of chip ${i + 1}`"
        @update:model-value="$event && change(i, { colour: $event })"
      />
      <QuantityField
        :label="`Dose of chip ${i + 1}`"
        kind="fraction"
        :value="chip.dose"
        :take="(dose) => change(i, { dose })"
      />
      <QuantityField
        :label="`Depth of chip ${i + 1}`"
        kind="length"
        :value="chip.depth"
        :take="(deep) => change(i, { depth: deep })"
      />
      <RemoveButton :label="`Delete chip ${i + 1}`" @click="remove(i)" />
    </div>
    <ElButton class="add start" size="small" @click="add(guessedSwatch(tint))">Add chip</ElButton>
  </section>
  <section class="chips stack-8" aria-label="Ladder">
    <h2>Ladder</h2>
    <p class="small quiet">
      Chips to cast, each twice the dose of the one before. When they have cured, pick how each came
      out: it becomes a chip above.
    </p>
    <CountField
      label="Number of chips"
      :value="count"
      :take="(n) => void (count = Math.min(most, Math.max(least, n)))"
    />
    <QuantityField
      label="Resin in each"
      kind="mass"
      :value="resin"
      :take="(kg) => void (resin = kg)"
    />
    <QuantityField
      label="Depth of each"
      kind="length"
      :value="depth"
      :take="(m) => void (depth = m)"
    />
    <ElTable :data="ladder" table-layout="auto">
      <ElTableColumn v-slot="{ row }" label="Dose" class-name="num">{{
        share(row.dose)
      }}</ElTableColumn>
      <ElTableColumn v-slot="{ row }" label="Tint" align="right" class-name="num">
        <b>{{ mass(row.tint) }}</b>
      </ElTableColumn>
      <ElTableColumn v-slot="{ row }" label="Expected" align="right">
        <i class="swatch" :style="{ background: row.expected }" />
      </ElTableColumn>
      <ElTableColumn v-slot="{ row }" label="Came out" align="right">
        <ElColorPicker
          :model-value="chips.find((chip) => chip.dose === row.dose)?.colour ?? null"
          size="small"
          :aria-label="`How ${share(row.dose)} came out`"
          @update:model-value="$event && add({ colour: $event, dose: row.dose, depth })"
        />
      </ElTableColumn>
    </ElTable>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <ElButton class="add start" size="small" @click="print">Save ladder as PDF</ElButton>
  </section>
</template>

<style scoped>
.chips + .chips {
  padding-top: 14px;
}

.chip {
  display: grid;
  grid-template-columns: 34px minmax(0, 1fr) 32px;
  gap: 2px 10px;
  align-items: center;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-2);
}

.chip > :nth-child(3) {
  grid-column: 2;
}

.chip > :nth-child(4) {
  grid-area: 1 / 3;
}

.swatch {
  display: inline-block;
  width: 46px;
  height: 24px;
  border: 1px solid var(--shade);
  border-radius: var(--r-small);
  vertical-align: middle;
}
</style>
