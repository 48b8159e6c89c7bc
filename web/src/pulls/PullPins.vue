<script setup lang="ts">
import { computed, watch } from 'vue'
import type { Pull } from '@mivro/core/work/pull'
import type { Problem } from '@mivro/core/base/problem'
import { pictureAddress } from '../api/pictures.ts'
import { useProject } from '../project/projectStore.ts'
import PictureButton from '../ui/PictureButton.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import CausesPanel from './CausesPanel.vue'
import EffectLines from './EffectLines.vue'
import PinCut from './PinCut.vue'
import PinRows from './PinRows.vue'
import { useChanges } from './useChanges.ts'
import { usePins } from './usePins.ts'
import { usePullFacts } from './usePullFacts.ts'

/** What went wrong and where, why, what to change about it, and what came of it. */
const props = defineProps<{
  id: string
  pull: Pull
  change: (values: Partial<Pull>) => Problem | undefined
}>()
const project = useProject()
const facts = usePullFacts(() => props.pull)
const changes = useChanges(
  () => props.pull,
  (values) => void props.change(values),
)
const { pins, selected, add, edit, remove, addPicture, pictureOf } = usePins(
  () => props.pull,
  props.change,
)
watch(
  () => props.id,
  () => void changes.load(),
  { immediate: true },
)
/** What the causes are told of: the pin that is chosen, else the first fault. */
const chosen = computed(
  () =>
    facts.pointed.value.find(({ pin }) => pin !== undefined && pin.id === selected.value) ??
    facts.pointed.value[0],
)
const taken = computed(() =>
  (props.pull.changes ?? []).flatMap(({ what, fault }) =>
    fault === chosen.value?.fault ? [what] : [],
  ),
)
</script>

<template>
  <div class="two-columns">
    <div class="stack">
      <PinCut
        v-if="project.survey && project.compiled"
        :pins="pins"
        :selected="selected"
        @pin="add"
        @select="selected = $event"
        @move="(id, at) => edit(id, { at: [...at] })"
      />
      <PinRows
        :pins="pins"
        :selected="selected"
        :copies="pull.copies"
        :change="edit"
        :picture="pictureOf"
        @select="selected = $event"
        @remove="remove"
      />
      <div class="pictures">
        <a
          v-for="picture in pull.pictures ?? []"
          :key="picture.id"
          :href="pictureAddress(picture.id, 'whole')"
          target="_blank"
          rel="noopener"
        >
          <img :src="pictureAddress(picture.id, 'small')" :alt="picture.name" />
        </a>
        <PictureButton label="Add a picture" @added="addPicture" />
      </div>
    </div>
    <div class="stack">
      <CausesPanel
        v-if="chosen"
        :pointed="chosen"
        :facts="facts"
        :told="pull.told ?? {}"
        :made="changes.made"
        :taken="taken"
        @tell="(sign, seen) => change({ told: { ...pull.told, [sign]: seen } })"
        @take="(what, cause) => changes.take(what, cause, chosen!)"
      />
      <p v-else class="quiet">
        Pin a fault on the cut, or choose one below, and its causes are ranked here.
      </p>
      <ProblemNote
        v-for="problem in changes.problems.value"
        :key="problem.code"
        :problem="problem"
      />
      <EffectLines />
    </div>
  </div>
</template>

<style scoped>
.pictures {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 8px;
}

.pictures img {
  display: block;
  width: 96px;
  height: 72px;
  border-radius: var(--r-small);
  object-fit: cover;
}
</style>
