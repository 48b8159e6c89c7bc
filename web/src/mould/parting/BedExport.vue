<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { FileDown } from 'lucide-vue-next'
import { onOneSheet } from '@mivro/core/base/paper'
import { bedCard, mayClimb, usualCard } from '@mivro/core/mould'
import type { Vec3 } from '@mivro/core/form/mesh'
import { show } from '@mivro/core/base/units'
import { checkLineWords, frontWords, sayCard } from '@mivro/words/template'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { download, fileName } from '../../ui/download.ts'
import { fieldsOf } from '../../ui/fields.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import QuantityField from '../../ui/QuantityField.vue'
import { templatePdf } from '../../ui/templatePdf.ts'
import { askBed } from '../../work/pool.ts'
import { useMaking } from './useMaking.ts'

/** The bed of two halves, to be printed or cut out of card. */
const project = useProject()
const studio = useStudio()
const { busy, problems, making } = useMaking()

const card = computed(() => project.mould?.card ?? usualCard)
const { field } = fieldsOf(() => project.mould!, project.changeMould)
const there = computed(() => {
  const { mould, geometry, compiledMould } = project
  return mould && geometry && compiledMould?.box && mayClimb(mould.kind)
    ? { mould, geometry, compiled: compiledMould, box: compiledMould.box }
    : undefined
})
const name = computed(() => fileName(there.value!.mould.name))
const bed = () => {
  const { mould, geometry, compiled, box } = there.value!
  return askBed({
    form: project.piece!.document.form,
    up: mould.masterUp as Vec3,
    parting: { kind: mould.kind, parting: mould.parting, climbs: mould.climbs },
    row: { parting: geometry.parting, climbing: geometry.climbing, foot: compiled.foot },
    plan: box.plan,
    under: box.under,
    keys: compiled.keys,
    card: card.value,
  })
}
const stl = () =>
  making('Building the bed', async () => {
    download(`${name.value}-bed.stl`, (await bed()).stl as BlobPart, 'model/stl')
  })
const drawings = async () => {
  const { cards } = await bed()
  const { plan } = there.value!.box
  return cards.map((loops, i) =>
    bedCard(
      loops,
      plan,
      sayCard(i + 1, cards.length, card.value, studio.units),
      frontWords,
      checkLineWords,
    ),
  )
}
const pdf = () =>
  making('Cutting the cards', async () => {
    const title = `${there.value!.mould.name}, bed`
    const pages = await templatePdf(await drawings(), title)
    download(`${name.value}-bed-cards.pdf`, pages, 'application/pdf')
  })
const svg = () =>
  making('Cutting the cards', async () => {
    download(`${name.value}-bed-cards.svg`, onOneSheet(await drawings()), 'image/svg+xml')
  })
</script>

<template>
  <template v-if="there">
    <h3>The bed</h3>
    <QuantityField
      label="Thickness of a card"
      kind="length"
      optional
      :placeholder="show(usualCard, 'length', studio.units)"
      v-bind="field('card')"
    />
    <div class="pair">
      <ElButton :disabled="busy !== ''" @click="pdf">
        <FileDown :size="14" aria-hidden="true" />Cards, PDF
      </ElButton>
      <ElButton :disabled="busy !== ''" @click="svg">
        <FileDown :size="14" aria-hidden="true" />SVG
      </ElButton>
      <ElButton :disabled="busy !== ''" @click="stl">
        <FileDown :size="14" aria-hidden="true" />STL to print
      </ElButton>
    </div>
    <p v-if="busy" role="status" class="small quiet">{{ busy }} …</p>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
  </template>
</template>

<style scoped>
.pair {
  display: flex;
  gap: 8px;
}
</style>
