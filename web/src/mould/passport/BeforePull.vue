<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { GripVertical } from 'lucide-vue-next'
import {
  conditionNames,
  conditioningOf,
  conditioningTakes,
  movedCondition,
  withCondition,
  withoutCondition,
  type Condition,
  type ConditionName,
} from '@mivro/core/mould'
import { showDuration } from '@mivro/core/base/units'
import { conditionHow, conditionLabel, sayBroken, sayEvery } from '@mivro/words/conditioning'
import type { Session } from '../../api/session.ts'
import MoveButtons from '../../ui/MoveButtons.vue'
import QuantityField from '../../ui/QuantityField.vue'
import RemoveButton from '../../ui/RemoveButton.vue'
import SelectField from '../../ui/SelectField.vue'
import TextField from '../../ui/TextField.vue'
import { mouldChange } from './mouldChange.ts'

/** What is done to the mould before it is poured: what, how often, how long, in which order. */
const props = defineProps<{ session: Session<'moulds'> }>()
const mould = computed(() => props.session.document)
const list = computed(() => conditioningOf(mould.value))
const broken = ref('')
watch(list, () => (broken.value = ''))

const change = mouldChange(() => props.session)
const put = (index: number, values: Partial<Condition>) =>
  change({ before: list.value.map((line, i) => (i === index ? { ...line, ...values } : line)) })

/** What is drawn keeps its order where a rule of the trade stands against it, and says which. */
const drawn = ref(0)
function move(from: number, to: number): void {
  const moved = movedCondition(list.value, from, to)
  broken.value = 'breaks' in moved ? sayBroken(moved.breaks) : ''
  if ('list' in moved) change({ before: moved.list })
  else drawn.value++
}
const often = [1, 0, 2, 3, 5, 10]
const oftenOf = ({ every }: Condition) =>
  [...new Set([...often, every])].map((n) => ({ value: String(n), label: sayEvery({ every: n }) }))
const toAdd = computed(() =>
  conditionNames
    .filter((what) => what === 'other' || !list.value.some((line) => line.what === what))
    .map((what) => ({ value: what, label: conditionLabel({ what }) })),
)
const add = (what: ConditionName) => change(withCondition(mould.value, what))
const takes = (pull: number) => showDuration(conditioningTakes(list.value, pull), 'second')
</script>

<template>
  <section class="before" aria-label="Before each pull">
    <header class="row">
      <h2>Before each pull</h2>
      <span class="quiet small">
        {{ takes(1) }} of hands for a mould at its first pull, {{ takes(2) }} at its second
      </span>
    </header>
    <p v-if="broken" class="says" role="alert">{{ broken }}</p>
    <VueDraggable
      :key="drawn"
      :model-value="list"
      tag="ol"
      handle=".grip"
      :animation="120"
      :force-fallback="true"
      @update="move($event.oldIndex!, $event.newIndex!)"
    >
      <li v-for="(line, i) in list" :key="`${line.what} ${i}`" :data-condition="line.what">
        <span class="grip" aria-hidden="true"><GripVertical :size="15" /></span>
        <div class="what">
          <TextField
            v-if="line.what === 'other'"
            bare
            label="What is done"
            placeholder="What is done"
            :value="line.name ?? ''"
            :take="(name) => put(i, { name: name || undefined })"
          />
          <template v-else>
            <b>{{ conditionLabel(line) }}</b>
            <span class="quiet small">{{ conditionHow(line.what) }}</span>
          </template>
        </div>
        <SelectField
          bare
          :label="`When: ${conditionLabel(line)}`"
          :options="oftenOf(line)"
          :value="String(line.every)"
          @choose="put(i, { every: Number($event) })"
        />
        <QuantityField
          bare
          :label="`Time: ${conditionLabel(line)}`"
          kind="duration"
          bare-unit="s"
          :value="line.hands"
          :take="(hands) => put(i, { hands })"
        />
        <span class="tools">
          <MoveButtons
            :label="conditionLabel(line)"
            :index="i"
            :count="list.length"
            @move="move(i, $event)"
          />
          <RemoveButton
            :label="`Remove ${conditionLabel(line)}`"
            @click="change(withoutCondition(mould, i))"
          />
        </span>
      </li>
    </VueDraggable>
    <SelectField label="Add a line" :options="toAdd" value="" @choose="add" />
    <p class="quiet small">
      In a run these are steps of the bench, before anything is mixed. Change one thing at a time:
      the second pull shows whether it was that.
    </p>
  </section>
</template>

<style scoped>
.before {
  display: flex;
  flex-direction: column;
  gap: 10px;
  grid-column: 1 / 3;
  padding: 14px 18px;
  border: 1px solid var(--line);
  border-radius: var(--r-large);
  background: var(--panel);
}

header {
  justify-content: space-between;
}

ol {
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 16px minmax(0, 1fr) 150px 74px auto;
  align-items: center;
  gap: 10px;
  padding: 6px 0;
  border-bottom: 1px solid var(--line-2);
  background: var(--panel);
}

.what {
  display: flex;
  flex-direction: column;
}

.grip {
  color: var(--ink-3);
  cursor: grab;
}

.tools {
  display: flex;
  gap: 2px;
}

.says {
  padding: 8px 12px;
  border-left: 3px solid var(--honey);
  background: var(--amber-soft);
  color: var(--amber-ink);
}
</style>
