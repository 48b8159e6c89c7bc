<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { ElButton } from 'element-plus'
import { detailOf, type Mould } from '@mivro/core/mould'
import { mouldKindWords, sayLearnedLife } from '@mivro/words/mouldKind'
import CountField from '../../ui/CountField.vue'
import { fieldsOf } from '../../ui/fields.ts'
import SegmentField from '../../ui/SegmentField.vue'
import { useLives } from '../../project/livesStore.ts'
import { useProject } from '../../project/projectStore.ts'
import KindReasons from './KindReasons.vue'

const project = useProject()
const wish = computed(() => project.mould!.wish)
const change = (values: Partial<Mould['wish']>) =>
  project.changeMould({ wish: { ...wish.value, ...values } })
const advice = computed(() => project.compiledMould?.advice ?? [])
const chosen = computed(() => advice.value.find(({ kind }) => kind === project.mould!.kind))
const lives = useLives()
onMounted(() => void lives.read())
const learned = computed(() => lives.lives[project.mould!.kind]?.[detailOf(project.mould!)])
const first = computed(() => advice.value.find(({ advised }) => advised))
const { field, choice } = fieldsOf(() => wish.value, change)
const { field: mouldField } = fieldsOf(() => project.mould!, project.changeMould)
</script>

<template>
  <h2>Requirements</h2>
  <CountField label="Copies in total" v-bind="field('copies')" />
  <SegmentField
    label="Seam"
    :options="{ hidden: 'should hide', 'may show': 'may show' }"
    v-bind="choice('seam')"
  />
  <SegmentField
    label="Transparent mould"
    :options="{ no: 'no need', yes: 'needed' }"
    v-bind="choice('seeThrough')"
  />
  <SegmentField
    label="Surface detail"
    :options="{ plain: 'plain', 'fine grooves': 'fine grooves' }"
    v-bind="choice('detail')"
  />
  <SegmentField
    label="3D printer"
    :options="{ yes: 'at hand', no: 'none' }"
    v-bind="choice('printer')"
  />
  <CountField label="Cavities of a mould" v-bind="mouldField('cavities')" />
  <CountField label="Moulds on hand" v-bind="mouldField('count')" />
  <CountField label="Cost of an hour of work" v-bind="mouldField('hourPrice')" />
  <p v-if="!project.compiledMould" class="quiet small">
    The recommendation follows when the piece has been looked over.
  </p>
  <template v-if="chosen && first">
    <h2>{{ mouldKindWords[chosen.kind].label }}</h2>
    <p class="quiet">{{ mouldKindWords[chosen.kind].what }}</p>
    <KindReasons :of="chosen" />
    <p v-if="learned" class="quiet">{{ sayLearnedLife(learned) }}</p>
    <template v-if="first.kind !== chosen.kind">
      <h3>Recommended instead: {{ mouldKindWords[first.kind].label.toLowerCase() }}</h3>
      <KindReasons :of="first" />
      <ElButton @click="project.chooseKind(first.kind)"> Use recommendation </ElButton>
    </template>
    <p class="small quiet">
      Costs are silicone, hands, cleaning, and turning what is cast hollow; resin is the same for
      all. Hours, minutes and, where none of your own has come to its end yet, pulls are common
      practice.
    </p>
  </template>
</template>
