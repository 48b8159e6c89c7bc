<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import type { MouldOpening } from '@mivro/core/mould'
import { show, showTiny } from '@mivro/core/base/units'
import { removalWords } from '@mivro/words/casting'
import { useStudio } from '../../project/studioStore.ts'
import QuantityField from '../../ui/QuantityField.vue'
import RemoveButton from '../../ui/RemoveButton.vue'
import Says from '../../ui/Says.vue'
import SegmentField from '../../ui/SegmentField.vue'
import { useProject } from '../../project/projectStore.ts'
import { useAir } from './useAir.ts'

const props = defineProps<{ opening: MouldOpening }>()
const project = useProject()
const air = useAir()
const studio = useStudio()

const facts = computed(() => project.into?.openings.find(({ id }) => id === props.opening.id))
const name = computed(() => (props.opening.what === 'gate' ? 'Gate' : 'Vent'))
/** This one reaches no part of the piece. */
const misses = computed(() => {
  const index = air.openings.findIndex(({ id }) => id === props.opening.id)
  return project.airProblem?.path === `openings.${index}` ? project.airProblem : undefined
})
const open = computed(() => air.selected === props.opening.id)
</script>

<template>
  <div class="opening" :class="{ open }">
    <div class="row">
      <ElButton
        text
        class="choice"
        :aria-expanded="open"
        @click="air.selected = open ? undefined : opening.id"
      >
        <b>{{ name }}</b>
        <span v-if="facts" class="quiet small">
          at {{ show(facts.height, 'length', studio.units) }}, holds
          {{ showTiny(facts.volume, studio.units) }}
        </span>
      </ElButton>
      <QuantityField
        bare
        :label="`Bore of the ${opening.what}`"
        kind="length"
        :value="opening.bore"
        :take="(bore) => air.edit(opening.id, { bore })"
      />
      <RemoveButton :label="`Delete the ${opening.what}`" @click="air.takeOut(opening.id)" />
    </div>
    <Says :problem="misses" />
    <template v-if="open">
      <SegmentField
        label="Made"
        :options="{ 'cast in': 'Cast in', 'cut later': 'Cut later' }"
        :value="opening.made"
        @choose="air.edit(opening.id, { made: $event })"
      />
      <p v-if="facts" class="small quiet">
        Its scar of {{ (facts.scar * 1e6).toFixed(1) }} mm² comes off
        {{ removalWords[facts.comesOff] }}.
      </p>
    </template>
  </div>
</template>

<style scoped>
.opening {
  display: flex;
  flex-direction: column;
  gap: 6px;
  padding-bottom: 6px;
  border-bottom: 1px solid var(--line-2);
}

.row {
  display: grid;
  grid-template-columns: 1fr 92px 28px;
  align-items: center;
}

.row :deep(.field-row) {
  grid-template-columns: 1fr;
}

.row :deep(.el-input.line) {
  width: 92px;
}

.opening .choice.el-button.is-text {
  padding: 2px 4px;
}

.open {
  border-color: var(--teal);
}
</style>
