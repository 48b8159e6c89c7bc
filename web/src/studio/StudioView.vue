<script setup lang="ts">
import { onMounted, ref, shallowRef } from 'vue'
import { ElButton, ElDialog, ElUpload } from 'element-plus'
import type { UploadFile } from 'element-plus'
import { Download, Upload } from 'lucide-vue-next'
import { readDocument } from '@mivro/core/base/document'
import { problemsOf, type Problem } from '@mivro/core/base/problem'
import { documentTypeNames, documentTypes, studioSchema, type Studio } from '@mivro/core/studio'
import { documentTypeWords } from '@mivro/words/studio'
import { api, type Path } from '../api/client.ts'
import { forgetSessions } from '../api/sessions.ts'
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
const chosen = shallowRef<File>()
const saidKey = 'mivro.said'
const said = ref(sessionStorage.getItem(saidKey) ?? '')
sessionStorage.removeItem(saidKey)

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

/** While a backup is read and checked; nothing is touched until all of it is good. */
const restoring = shallowRef<AbortController>()

async function restore(): Promise<void> {
  const file = chosen.value!
  chosen.value = undefined
  restoring.value = new AbortController()
  const { signal } = restoring.value
  await trying(async () => {
    try {
      const { documents } = await api.restoreBackup(file, signal)
      sessionStorage.setItem(
        saidKey,
        `${documents} documents came back from ${file.name}. What was here before is kept beside the store, as before-restore.`,
      )
      // Every page and list begins anew on the store that took the place.
      forgetSessions()
      location.reload()
    } catch (error) {
      if (!signal.aborted) throw error
    }
  })
  restoring.value = undefined
}

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
      <section class="panel box">
        <h2>Backup</h2>
        <p class="quiet">
          One file holds everything: pieces with their shapes, moulds, materials, pours, runs,
          benches, pulls with their pictures, and every earlier version of them.
        </p>
        <div class="acts">
          <ElButton tag="a" type="primary" href="/api/backup" download
            ><Download :size="15" aria-hidden="true" />Save a backup</ElButton
          >
          <ElUpload
            accept=".zip"
            :auto-upload="false"
            :show-file-list="false"
            :on-change="({ raw }: UploadFile) => (chosen = raw)"
          >
            <ElButton tag="span"><Upload :size="15" aria-hidden="true" />Restore backup</ElButton>
          </ElUpload>
        </div>
        <p v-if="restoring" class="row" role="status">
          Reading and checking the backup …
          <ElButton size="small" @click="restoring.abort()">Cancel</ElButton>
        </p>
        <p v-if="said" role="status">{{ said }}</p>
      </section>
      <LanPanel />
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
        <ul>
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
    <ElDialog
      :model-value="chosen !== undefined"
      title="Restore this backup?"
      width="460"
      @close="chosen = undefined"
    >
      <p>
        {{ chosen?.name }} replaces all that is here now. What is here is kept first, as a backup of
        its own beside the store.
      </p>
      <div class="acts end">
        <ElButton @click="chosen = undefined"> Cancel </ElButton>
        <ElButton type="primary" @click="restore">Restore backup</ElButton>
      </div>
    </ElDialog>
  </div>
</template>

<style scoped>
h1 {
  display: flex;
  align-items: center;
  height: 58px;
}

.acts {
  display: flex;
  gap: 8px;
  margin-top: 4px;
}

.acts.end {
  justify-content: flex-end;
  margin-top: 20px;
}

.demo {
  justify-content: space-between;
}

li {
  padding: 4px 0;
  border-bottom: 1px solid var(--line-2);
}
</style>
