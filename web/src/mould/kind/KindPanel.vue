<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import type { Mould } from '@mivro/core/mould'
import { mouldKindWords } from '@mivro/words/mouldKind'
import CountField from '../../ui/CountField.vue'
import SegmentField from '../../ui/SegmentField.vue'
import { useProject } from '../../project/projectStore.ts'
import KindReasons from './KindReasons.vue'

const project = useProject()
const wish = computed(() => project.mould!.wish)
const change = (values: Partial<Mould['wish']>) =>
  project.changeMould({ wish: { ...wish.value, ...values } })
const advice = computed(() => project.compiledMould?.advice ?? [])
const chosen = computed(() => advice.value.find(({ kind }) => kind === project.mould!.kind))
const first = computed(() => advice.value.find(({ advised }) => advised))
</script>

<template>
  <h2>Requirements</h2>
  <CountField label="Copies in total" :value="wish.copies" :take="(copies) => change({ copies })" />
  <SegmentField
    label="Seam"
    :options="{ hidden: 'should hide', 'may show': 'may show' }"
    :value="wish.seam"
    @choose="change({ seam: $event })"
  />
  <SegmentField
    label="Transparent mould"
    :options="{ no: 'no need', yes: 'needed' }"
    :value="wish.seeThrough"
    @choose="change({ seeThrough: $event })"
  />
  <SegmentField
    label="Surface detail"
    :options="{ plain: 'plain', 'fine grooves': 'fine grooves' }"
    :value="wish.detail"
    @choose="change({ detail: $event })"
  />
  <SegmentField
    label="3D printer"
    :options="{ yes: 'at hand', no: 'none' }"
    :value="wish.printer"
    @choose="change({ printer: $event })"
  />
  <CountField
    label="Cavities of a mould"
    :value="project.mould!.cavities"
    :take="(cavities) => project.changeMould({ cavities })"
  />
  <CountField
    label="Moulds on hand"
    :value="project.mould!.count"
    :take="(count) => project.changeMould({ count })"
  />
  <CountField
    label="Cost of an hour of work"
    :value="project.mould!.hourPrice"
    :take="(hourPrice) => project.changeMould({ hourPrice })"
  />
  <p v-if="!project.compiledMould" class="quiet small">
    The recommendation follows when the piece has been looked over.
  </p>
  <template v-if="chosen && first">
    <h2>{{ mouldKindWords[chosen.kind].label }}</h2>
    <p class="quiet">{{ mouldKindWords[chosen.kind].what }}</p>
    <KindReasons :of="chosen" />
    <template v-if="first.kind !== chosen.kind">
      <h3>Recommended instead: {{ mouldKindWords[first.kind].label.toLowerCase() }}</h3>
      <KindReasons :of="first" />
      <ElButton @click="project.chooseKind(first.kind)"> Use recommendation </ElButton>
    </template>
    <p class="small quiet">
      Costs are silicone, hands and cleaning; resin is the same for all. Hours, pulls and minutes
      are common practice: your own log will know better.
    </p>
  </template>
</template>
