<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { cautionsAt } from '@mivro/core/base/caution'
import { gainOf, ladderOf, usualPostCure, type Plan } from '@mivro/core/work/plan'
import type { Problem } from '@mivro/core/base/problem'
import { showDuration } from '@mivro/core/base/units'
import { rungBasis, rungWords, sayGain } from '@mivro/words/ladder'
import { useProject } from '../project/projectStore.ts'
import { useStudio } from '../project/studioStore.ts'
import { useLaw } from '../project/useLaw.ts'
import CautionNotes from '../ui/CautionNotes.vue'
import QuantityField from '../ui/QuantityField.vue'
import RemoveButton from '../ui/RemoveButton.vue'
import SegmentField from '../ui/SegmentField.vue'

/** How it comes out, what may be done with it then, and what warmth gains. */
const props = defineProps<{ change: (values: Partial<Plan>) => Problem | undefined }>()
const project = useProject()
const studio = useStudio()
const plan = computed(() => project.plan!)
const compiled = computed(() => project.compiled!)
const rungs = computed(() => ladderOf(plan.value, compiled.value))
const last = computed(() => compiled.value.layers.findLast(({ clock, batch }) => clock && batch))
const gated = computed(() => last.value?.clock?.trimAt !== undefined)
const law = useLaw(() => (plan.value.postCure ? last.value?.batch?.resin : undefined))
const gain = computed(() =>
  law.value ? gainOf(plan.value, compiled.value, law.value.law.kinetics) : undefined,
)
const cautions = computed(() => cautionsAt(compiled.value.cautions, { field: 'postCure' }))
const warm = (values: Partial<NonNullable<Plan['postCure']>>) =>
  props.change({ postCure: { ...plan.value.postCure!, ...values } })
const ways = [
  { value: 'hard', label: 'Hard', hint: 'Gates by a saw, then sanded' },
  {
    value: 'rubbery',
    label: 'Rubbery',
    hint: 'Gates by a blade, then laid flat or put back; from a pot it comes out hard',
  },
] as const
</script>

<template>
  <section v-if="rungs.length > 0" class="out stack-8" aria-label="Getting it out">
    <h3>Getting it out</h3>
    <SegmentField
      v-if="gated"
      label="Gates are cut"
      :options="[...ways]"
      :value="plan.out ?? 'hard'"
      @choose="change({ out: $event })"
    />
    <ol class="ladder">
      <li v-for="one in rungs" :key="one.rung" :data-rung="one.rung">
        <i aria-hidden="true" />
        <span>
          {{ rungWords[one.rung].label }}
          <small class="quiet">{{ rungWords[one.rung].hint }}</small>
        </span>
        <span class="when">
          <b class="num">{{ showDuration(one.at) }}</b>
          <small class="quiet">
            {{
              one.until === undefined ? rungBasis[one.basis] : `until ${showDuration(one.until)}`
            }}
          </small>
        </span>
      </li>
    </ol>
    <template v-if="plan.postCure">
      <QuantityField
        label="Post-cure at"
        kind="temperature"
        :value="plan.postCure.temperature"
        :take="(temperature) => warm({ temperature })"
      />
      <div class="row">
        <QuantityField
          class="grow"
          label="Held for"
          kind="duration"
          bare-unit="h"
          :value="plan.postCure.hold"
          :take="(hold) => warm({ hold })"
        />
        <RemoveButton label="Remove the post-cure" @click="change({ postCure: undefined })" />
      </div>
      <p v-if="gain" class="quiet small" data-gain>{{ sayGain(gain, studio.units) }} Estimated.</p>
      <CautionNotes :of="cautions" />
    </template>
    <ElButton v-else class="start" @click="change({ postCure: usualPostCure })">
      Add a post-cure
    </ElButton>
  </section>
</template>

<style scoped>
.ladder {
  list-style: none;
}

li {
  position: relative;
  display: grid;
  grid-template-columns: 12px minmax(0, 1fr) auto;
  gap: 10px;
  padding: 5px 0;
}

li::before {
  position: absolute;
  left: 5px;
  top: 0;
  bottom: 0;
  width: 2px;
  background: var(--track);
  content: '';
}

li:first-child::before {
  top: 14px;
}

li:last-child::before {
  bottom: calc(100% - 14px);
}

i {
  position: relative;
  width: 12px;
  height: 12px;
  margin-top: 4px;
  border: 3px solid var(--panel);
  border-radius: 50%;
  background: var(--honey);
}

li[data-rung='out'] i {
  background: var(--teal);
}

small {
  display: block;
}

.when {
  text-align: right;
}
</style>
