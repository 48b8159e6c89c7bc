<script setup lang="ts">
import { onMounted, ref } from 'vue'
import { ElButton } from 'element-plus'
import { readDocument } from '@mivro/core/base/document'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { documentTypeNames, documentTypes, studioSchema, type Studio } from '@mivro/core/studio'
import { documentTypeWords } from '@mivro/words/studio'
import { api, type Path } from '../api/client.ts'
import BackupPanel from './BackupPanel.vue'
import LanPanel from './LanPanel.vue'
import { fieldsOf } from '../ui/fields.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import QuantityField from '../ui/QuantityField.vue'
import SelectField from '../ui/SelectField.vue'
import TextField from '../ui/TextField.vue'
import { showMoment } from '../ui/dates.ts'
import { useUndoOf } from '../ui/undo.ts'
import { useStudio } from '../project/studioStore.ts'

const studio = useStudio()
const currencyNames = new Intl.DisplayNames('en', { type: 'currency' })
const { problems, trying } = useProblems()
const said = ref('')

interface TakenOff {
  path: Path
  id: string
  what: string
  name: string
  at: string
}
useUndoOf(() => [studio.session])
const takenOff = ref<TakenOff[]>([])
/** What can be taken back: all but the studio itself. */
const kinds = documentTypeNames.flatMap((name) =>
  name === 'studio' ? [] : [[documentTypes[name].path, documentTypeWords[name]] as const],
)

const load = () =>
  trying(async () => {
    const lists = await Promise.all(
      kinds.map(async ([path, what]) =>
        (await api.deleted(path)).map(({ id, document, deletedAt }) => ({
          path,
          id,
          what,
          name: 'name' in document ? document.name : showMoment(document.pouredAt),
          at: deletedAt!,
        })),
      ),
    )
    demo.value = (await api.demo()).present
    takenOff.value = lists.flat().sort((a, b) => Date.parse(b.at) - Date.parse(a.at))
  })
onMounted(load)

const takeBack = ({ path, id }: TakenOff) =>
  trying(async () => {
    await api.restore(path, id)
    await load()
  })

// The demo studio in a store of one's own.
const demo = ref(0)
const removeDemo = () =>
  trying(async () => {
    const { removed, kept } = await api.removeDemo()
    said.value = `The demo studio was removed (${removed} documents)${kept > 0 ? `; ${kept} stay, since your own name them` : ''}.`
    await load()
  })

const currencies = [
  { value: '', label: 'none' },
  ...Intl.supportedValuesOf('currency').map((code) => ({
    value: code,
    label: `${code}, ${currencyNames.of(code)}`,
  })),
]

function change(values: Partial<Studio>): Problem | undefined {
  try {
    readDocument(studioSchema, { ...studio.studio, ...values })
    studio.change(values)
    return undefined
  } catch (error) {
    return problemsOf(error)[0]
  }
}
const { field } = fieldsOf(() => studio.studio, change)
</script>

<template>
  <div class="studio">
    <h1>Settings</h1>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <div class="boxes">
      <section class="panel box">
        <h2>The studio</h2>
        <TextField label="Name" v-bind="field('name')" />
        <QuantityField
          label="Scale resolution, in new plans"
          kind="mass"
          :step="studio.studio.scaleStep"
          v-bind="field('scaleStep')"
        />
        <SelectField
          label="Currency of prices"
          filterable
          :options="currencies"
          :value="studio.studio.currency ?? ''"
          @choose="change({ currency: $event || undefined })"
        />
        <p class="quiet small">
          Units are chosen at the top right. Everything is kept on this machine.
        </p>
      </section>
      <BackupPanel />
      <LanPanel />
      <p v-if="said" class="wide" role="status">{{ said }}</p>
      <section v-if="demo > 0" class="panel box wide">
        <h2>Demo studio</h2>
        <div class="row demo">
          <p class="quiet">
            {{ demo }} documents of the demo studio are in your store. Removing them is for good;
            what is yours, and what of the demo it uses, stays.
          </p>
          <ElButton @click="removeDemo">Remove the demo studio</ElButton>
        </div>
      </section>
      <section class="panel box wide">
        <h2>Deleted</h2>
        <p v-if="takenOff.length === 0" class="quiet">
          Nothing was deleted. What is, waits here and can be restored.
        </p>
        <ul class="lined">
          <li v-for="entry in takenOff" :key="entry.id" class="row">
            <span
              ><b>{{ entry.name }}</b>
              <span class="quiet small">{{ entry.what }}, {{ showMoment(entry.at) }}</span></span
            >
            <ElButton link type="primary" @click="takeBack(entry)">Restore</ElButton>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
h1 {
  display: flex;
  align-items: center;
  height: 58px;
}

.demo {
  justify-content: space-between;
}
</style>
