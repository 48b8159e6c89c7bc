<script setup lang="ts">
import { computed, ref, shallowRef } from 'vue'
import { ElButton, ElCheckbox, ElDialog, ElUpload } from 'element-plus'
import type { UploadFile } from 'element-plus'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import ProblemNote from '../ui/ProblemNote.vue'
import { fileKinds, readArrivals } from './exchangeFiles.ts'
import { useShelf } from '../project/shelfStore.ts'
import type { Arrival } from '@mivro/core/matter/material'
import { sayProblem } from '@mivro/words/problem'

/** What a file holds, against what is on the shelf, before anything is brought in. */
const open = defineModel<boolean>({ required: true })
const shelf = useShelf()
const found = shallowRef<Arrival[]>([])
const named = ref('')
const problems = shallowRef<readonly Problem[]>([])
const busy = ref(false)
const withDiffering = ref(true)

async function look(file: File | undefined): Promise<void> {
  if (!file) return
  problems.value = []
  found.value = []
  named.value = file.name
  try {
    found.value = await readArrivals(
      file,
      shelf.stored.map(({ document }) => document),
    )
  } catch (error) {
    problems.value = problemsOf(error)
  }
}
const of = (state: Arrival['state']) => found.value.filter((one) => one.state === state)
const coming = computed(() =>
  found.value.flatMap((one) =>
    one.state === 'new' || (one.state === 'differs' && withDiffering.value) ? [one] : [],
  ),
)
const nameOf = (one: Arrival) =>
  one.state === 'broken' ? one.name || `Row ${one.at + 1}` : one.material.name

async function bring(): Promise<void> {
  busy.value = true
  try {
    for (const { state, material } of coming.value) {
      const name = state === 'differs' ? `${material.name}, from ${named.value}` : material.name
      await shelf.add({ ...material, name: name.slice(0, 120) })
    }
    found.value = []
    open.value = false
  } catch (error) {
    problems.value = problemsOf(error)
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <ElDialog v-model="open" title="Import materials" width="620px">
    <p class="quiet">
      A table (CSV) or JSON of materials, as Export writes it. Nothing is changed before you say so.
    </p>
    <ElUpload
      class="pick"
      :auto-upload="false"
      :show-file-list="false"
      :accept="fileKinds"
      :on-change="({ raw }: UploadFile) => look(raw)"
    >
      <ElButton tag="span">Choose a file</ElButton>
    </ElUpload>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <template v-if="found.length > 0">
      <p class="sum" role="status">
        {{ named }}: {{ of('new').length }} new, {{ of('same').length }} already here,
        {{ of('differs').length }} differ from one of that name, {{ of('broken').length }} can't be
        read.
      </p>
      <ul class="list">
        <li v-for="(one, i) in found" :key="i" :class="one.state">
          <b>{{ nameOf(one) }}</b>
          <span v-if="one.state === 'new'">new</span>
          <span v-else-if="one.state === 'same'">already here, left out</span>
          <span v-else-if="one.state === 'differs'"
            >another is called that: comes in under a name of its own</span
          >
          <span v-else-if="one.state === 'broken'" class="stop">
            <template v-for="problem in one.problems" :key="problem.path">
              {{ problem.path }}: {{ sayProblem(problem) }}
            </template>
          </span>
        </li>
      </ul>
      <ElCheckbox v-if="of('differs').length > 0" v-model="withDiffering">
        Import those that differ too
      </ElCheckbox>
    </template>
    <template #footer>
      <ElButton @click="open = false">Cancel</ElButton>
      <ElButton type="primary" :disabled="coming.length === 0 || busy" @click="bring">
        Import {{ coming.length }}
      </ElButton>
    </template>
  </ElDialog>
</template>

<style scoped>
.pick {
  margin: 12px 0;
}

.sum {
  font-weight: 600;
}

.list {
  max-height: 260px;
  margin-top: 8px;
  overflow: auto;
  border-top: 1px solid var(--line);
}

.list li {
  display: flex;
  flex-direction: column;
  padding: 6px 2px;
  border-bottom: 1px solid var(--line-2);
}

.list span {
  color: var(--ink-2);
  font-size: var(--size-small);
}

.list .stop {
  color: var(--stop);
}
</style>
