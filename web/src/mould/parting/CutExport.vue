<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { FileDown } from 'lucide-vue-next'
import { onOneSheet } from '@mivro/core/base/paper'
import type { Vec3 } from '@mivro/core/form/mesh'
import { cutSheet } from '@mivro/core/mould'
import { show } from '@mivro/core/base/units'
import { saySheet, saySide, sheetNote } from '@mivro/words/seam'
import { checkLineWords } from '@mivro/words/template'
import { useProject } from '../../project/projectStore.ts'
import { useStudio } from '../../project/studioStore.ts'
import { download, fileName } from '../../ui/download.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import { templatePdf } from '../../ui/templatePdf.ts'
import { askFlagged, askSides } from '../../work/pool.ts'
import { useSeam } from './seamStore.ts'
import { useMaking } from './useMaking.ts'

/** Where a block is cut, on paper for each of its sides, and the master with a flag along it. */
const project = useProject()
const studio = useStudio()
const seam = useSeam()
const { busy, problems, making } = useMaking()

/** Only where its box can be built: sheets are stuck on its sides. */
const there = computed(() => {
  const { mould, compiledMould } = project
  const { found, line } = seam
  return mould && found && line && compiledMould?.box && mould.kind === 'cut block'
    ? { mould, found, line: line.before, box: compiledMould.box, foot: compiledMould.foot }
    : undefined
})
const name = computed(() => fileName(there.value!.mould.name))
const drawings = async () => {
  const { mould, found, line, box, foot } = there.value!
  const sheets = await askSides({
    form: project.piece!.document.form,
    up: mould.masterUp as Vec3,
    box: { plan: box.plan, under: box.under, height: box.height },
    foot: { centre: foot.centre, height: foot.height },
    line,
    out: found.out,
  })
  const words = {
    note: sheetNote,
    check: checkLineWords,
    depth: (x: number) => show(x, 'length', studio.units),
  }
  return sheets.map((sheet) =>
    cutSheet(sheet, { ...words, title: saySheet(sheet.side, sheet.cut !== undefined) }),
  )
}
const pdf = () =>
  making('Drawing the sides', async () => {
    const pages = await templatePdf(await drawings(), `${there.value!.mould.name}, cut`)
    download(`${name.value}-cut.pdf`, pages, 'application/pdf')
  })
const svg = () =>
  making('Drawing the sides', async () => {
    download(`${name.value}-cut.svg`, onOneSheet(await drawings()), 'image/svg+xml')
  })
const stl = () =>
  making('Setting the flag', async () => {
    const { found, line } = there.value!
    // As far as it is cut: its last point lies between two of the line.
    const normals = [
      ...found.normals.slice(0, line.length - 3),
      ...found.normals.slice(line.length - 6, line.length - 3),
    ]
    const made = await askFlagged({ form: project.piece!.document.form, line, normals })
    download(`${name.value}-flagged.stl`, made as BlobPart, 'model/stl')
  })
</script>

<template>
  <template v-if="there">
    <h3>
      Where to cut it, true size{{
        seam.side === undefined ? '' : `: down the ${saySide(seam.side)}`
      }}
    </h3>
    <div class="pair">
      <ElButton :disabled="busy !== ''" @click="pdf">
        <FileDown :size="14" aria-hidden="true" />Six sides, PDF
      </ElButton>
      <ElButton :disabled="busy !== ''" aria-label="Six sides, SVG" @click="svg">
        <FileDown :size="14" aria-hidden="true" />SVG
      </ElButton>
      <ElButton :disabled="busy !== ''" @click="stl">
        <FileDown :size="14" aria-hidden="true" />Master with flag, STL
      </ElButton>
    </div>
    <p v-if="busy" role="status" class="small quiet">{{ busy }} …</p>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
  </template>
</template>

<style scoped>
.pair {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
</style>
