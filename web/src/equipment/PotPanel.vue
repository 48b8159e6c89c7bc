<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton, ElTable, ElTableColumn } from 'element-plus'
import { closingTime, insideOf, type Pot } from '@mivro/core/matter/air'
import { safetyFor } from '@mivro/core/base/caution'
import type { Problem } from '@mivro/core/base/problem'
import { headroom, countPerPot } from '@mivro/core/work/run'
import { figure, show, showDuration } from '@mivro/core/base/units'
import type { Studio } from '@mivro/core/studio'
import { sayTakes } from '@mivro/words/equipment'
import { useStudio } from '../project/studioStore.ts'
import { fieldsOf } from '../ui/fields.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SafetyLines from '../ui/SafetyLines.vue'
import PotPlate from '../vessel/PotPlate.vue'
import type { MouldSize } from './useMouldSizes.ts'

/** The pressure pot: its plate as it is marked, and which moulds find room in it. */
const props = defineProps<{
  pot: Pot
  sizes: readonly MouldSize[]
  problems: readonly Problem[]
  take: (values: Partial<Studio>) => Problem | undefined
}>()
const studio = useStudio()
const set = (values: Partial<Pot>) => props.take({ pot: { ...props.pot, ...values } })

interface Row {
  id: string
  name: string
  size: string
  takes: string
}
const rows = computed(() =>
  props.sizes.map(({ id, name, block }): Row => {
    const side = (value: number) => figure(value, 'length', studio.units)
    const height = show(block.height, 'length', studio.units)
    return {
      id,
      name,
      size: `${side(block.width)} × ${side(block.depth)} × ${height}`,
      takes: sayTakes(
        countPerPot(block, props.pot),
        headroom(props.pot),
        block.height,
        studio.units,
      ),
    }
  }),
)
const chosen = ref('')
const shown = computed(() => props.sizes.find(({ id }) => id === chosen.value) ?? props.sizes[0])
const count = computed(() => (shown.value ? countPerPot(shown.value.block, props.pot) : 0))
const items = computed(() =>
  Array.from({ length: count.value }, () => ({ name: shown.value!.name, ...shown.value!.block })),
)
const { field } = fieldsOf(() => props.pot, set)
</script>

<template>
  <section class="panel box" aria-label="Pressure pot">
    <div class="row head">
      <h2>Pressure pot</h2>
      <RemoveButton label="Delete pressure pot" @click="take({ pot: undefined })" />
    </div>
    <div class="sides">
      <div class="stack">
        <QuantityField label="Marked working pressure" kind="pressure" v-bind="field('marked')" />
        <QuantityField label="Casts are cured at" kind="pressure" v-bind="field('gauge')" />
        <QuantityField label="Plate across, inside" kind="length" v-bind="field('diameter')" />
        <QuantityField label="Height, inside" kind="length" v-bind="field('height')" />
        <QuantityField label="Compressor, free air" kind="flow" v-bind="field('flow')" />
        <QuantityField label="Lid and clamps" kind="duration" bare-unit="s" v-bind="field('lid')" />
        <p class="quiet small">
          {{ show(insideOf(pot), 'volume', studio.units) }} inside; at pressure
          <b>{{ showDuration(closingTime(pot), 'second') }}</b> after the last mould is in.
        </p>
      </div>
      <figure>
        <PotPlate :diameter="pot.diameter" :items="items" label="The plate of the pot from above" />
        <figcaption v-if="shown" class="quiet small">
          {{ shown.name }}
        </figcaption>
      </figure>
    </div>
    <ElTable
      v-if="rows.length > 0"
      :data="rows"
      row-key="id"
      highlight-current-row
      :current-row-key="shown?.id"
      table-layout="auto"
      @current-change="(row: Row | null) => row && (chosen = row.id)"
    >
      <ElTableColumn v-slot="{ row }" label="Mould">
        <ElButton
          link
          class="mould"
          :aria-pressed="row.id === shown?.id"
          @click.stop="chosen = row.id"
          >{{ row.name }}</ElButton
        >
      </ElTableColumn>
      <ElTableColumn v-slot="{ row }" label="Stands on">{{ row.size }}</ElTableColumn>
      <ElTableColumn v-slot="{ row }" label="In the pot" align="right">{{
        row.takes
      }}</ElTableColumn>
    </ElTable>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <SafetyLines
      before="Before you use it"
      :lines="safetyFor('pressure', ['pressure vessel'])"
      with-deferring
    />
  </section>
</template>

<style scoped>
.head {
  justify-content: space-between;
}

.mould {
  padding: 0;
  min-height: 0;
  color: var(--ink);
}

:deep(.el-table__row) {
  cursor: pointer;
}
</style>
