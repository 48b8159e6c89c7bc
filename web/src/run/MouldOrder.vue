<script setup lang="ts">
import { computed } from 'vue'
import { VueDraggable } from 'vue-draggable-plus'
import { GripVertical } from 'lucide-vue-next'
import { moved } from '@mivro/core/base/procedure'
import { type RunMould, type TimedLoad } from '@mivro/core/work/run'
import { showDuration } from '@mivro/core/base/units'
import MoveButtons from '../ui/MoveButtons.vue'

/** The moulds of a load in the order they are filled; drawn, or moved by arrows. */
const props = defineProps<{ load: TimedLoad }>()
const emit = defineEmits<{ order: [keys: string[]] }>()
const keys = computed(() => props.load.moulds.map(({ key }) => key))
const listed = computed({
  get: () => props.load.moulds,
  set: (moulds: RunMould[]) =>
    emit(
      'order',
      moulds.map(({ key }) => key),
    ),
})
/** When a mould is full, and by which cup. */
const filled = computed(
  () =>
    new Map(
      props.load.mixes.flatMap((mix, cup) =>
        mix.tasks
          .filter(({ what }) => what === 'fill')
          .map(
            (task) =>
              [
                task.mould!.key,
                { cup: cup + 1, at: mix.begins + task.until, by: task.filling },
              ] as const,
          ),
      ),
    ),
)
const byWords = { pouring: 'poured', syringe: 'by syringe' } as const
const facts = ({ key, casts, pour: { prefills } }: RunMould) => {
  const { cup, by = 'pouring' } = filled.value.get(key) ?? {}
  const said = [
    `${casts} ${casts === 1 ? 'cast' : 'casts'}`,
    `cup ${cup}, ${byWords[by]}`,
    prefills > 0 ? `${prefills} prefilled` : '',
  ]
  return said.filter(Boolean).join(' · ')
}
</script>

<template>
  <VueDraggable
    v-model="listed"
    tag="ol"
    handle=".grip"
    :animation="120"
    :force-fallback="true"
    class="order"
  >
    <li v-for="(mould, i) in load.moulds" :key="mould.key" :data-mould="mould.key">
      <span class="grip" aria-hidden="true"><GripVertical :size="15" /></span>
      <b>{{ i + 1 }}</b>
      <span class="name">
        {{ mould.pour.name }}, mould {{ mould.number }}
        <span class="quiet small">{{ facts(mould) }}</span>
      </span>
      <span class="at">full at {{ showDuration(filled.get(mould.key)?.at ?? 0, 'second') }}</span>
      <span class="tools">
        <MoveButtons
          :label="`${mould.pour.name}, mould ${mould.number}`"
          :index="i"
          :count="load.moulds.length"
          @move="emit('order', moved(keys, i, $event))"
        />
      </span>
    </li>
  </VueDraggable>
</template>

<style scoped>
.order {
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: 18px 22px minmax(0, 1fr) 120px auto;
  align-items: center;
  gap: 10px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line-2);
  background: var(--panel);
}

.name .quiet {
  display: block;
}

.grip {
  color: var(--ink-3);
  cursor: grab;
}

.at {
  font-weight: 600;
  text-align: right;
}

.tools {
  display: flex;
  gap: 4px;
}

@media (max-width: 700px) {
  li {
    grid-template-columns: 18px 22px minmax(0, 1fr) auto;
  }

  li > .tools {
    display: none;
  }
}
</style>
