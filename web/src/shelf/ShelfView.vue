<script setup lang="ts">
import { computed, onMounted, ref, watch } from 'vue'
import { ElButton, ElDropdown, ElDropdownItem, ElDropdownMenu } from 'element-plus'
import { useRoute, useRouter } from 'vue-router'
import { ChevronDown, Plus } from 'lucide-vue-next'
import { colourOf } from '@mivro/core/matter/inclusion'
import type { Material, MaterialKind } from '@mivro/core/matter/material'
import { displayStep } from '@mivro/core/matter/mix'
import { show, showDuration, showRatio } from '@mivro/core/base/units'
import type { Stored } from '../api/client.ts'
import { useOpen } from '../api/useOpen.ts'
import { useStudio } from '../project/studioStore.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import '../theme/listed.css'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import RemoveButton from '../ui/RemoveButton.vue'
import { sayTakenOff } from '../ui/takenOff.ts'
import { useUndoOf } from '../ui/undo.ts'
import { download } from '../ui/download.ts'
import { toCsv, toJson } from './exchangeFiles.ts'
import ExchangeDialog from './ExchangeDialog.vue'
import MaterialSheet from './MaterialSheet.vue'
import { useShelf } from '../project/shelfStore.ts'
import { startingMaterial } from '../project/startingMaterials.ts'

const route = useRoute()
const router = useRouter()
const shelf = useShelf()
const studio = useStudio()
const { session: open, problems: notOpened, open: openSheet, close } = useOpen('materials')
const { problems, trying } = useProblems()

useUndoOf(() => [open.value])

const groups: { kind: MaterialKind; title: string; one: string }[] = [
  { kind: 'resin', title: 'Resins', one: 'resin' },
  { kind: 'silicone', title: 'Silicones', one: 'silicone' },
  { kind: 'tint', title: 'Tints', one: 'tint' },
  { kind: 'recipe', title: 'Recipes', one: 'recipe' },
  { kind: 'inclusion', title: 'Inclusions', one: 'inclusion' },
]
const of = (kind: MaterialKind) => shelf.stored.filter((entry) => entry.document.kind === kind)
const wanted = computed(() => String(route.params.material || shelf.stored[0]?.id || ''))

onMounted(() => trying(() => shelf.load()))
watch(wanted, (id) => void openSheet(id || undefined), { immediate: true })
/** An undo or a conflict settled changes the sheet from outside the form. */
watch(
  () => open.value?.document,
  (document) => document && open.value && shelf.follow(open.value.id, document),
)

const arriving = ref(false)
const mixable = computed(() => ['resin', 'silicone'].includes(open.value?.document.kind ?? ''))
const handOut = (as: 'csv' | 'json') =>
  trying(async () => {
    const all = shelf.stored.map(({ document }) => document)
    if (as === 'json') return download('mivro-materials.json', toJson(all), 'application/json')
    download('mivro-materials.csv', await toCsv(all), 'text/csv')
  })

const add = (kind: MaterialKind) =>
  trying(async () => {
    // The sheet that was open closes at once, so that nothing is typed into it by mistake.
    const before = open.value?.id
    close()
    try {
      const id = await shelf.add(startingMaterial(kind))
      await router.push({ name: 'shelf', params: { material: id } })
    } catch (error) {
      void openSheet(before)
      throw error
    }
  })

const addTypical = () => trying(shelf.addTypical)

const remove = ({ id, document }: Stored<Material>) =>
  trying(async () => {
    await shelf.remove(id)
    await router.push({ name: 'shelf', params: { material: '' } })
    sayTakenOff(document.name, () => trying(() => shelf.restore(id)))
  })

const colourIn = (material: Material) =>
  material.kind === 'inclusion' ? colourOf(material) : material.colour
function facts(material: Material): string {
  if (material.kind === 'resin') {
    return `${showRatio(material.ratio)} by ${material.ratio.by} · pot life ${showDuration(material.potLife)}`
  }
  if (material.kind === 'silicone') {
    return `${material.chemistry} · ${showRatio(material.ratio)} by ${material.ratio.by} · ${material.hardness}A · pot life ${showDuration(material.potLife)}`
  }
  if (material.kind === 'tint')
    return `${material.form} · up to ${show(material.limit, 'fraction', studio.units)}`
  if (material.kind === 'recipe') return material.parts.map(({ name }) => name).join(', ')
  return `${show(material.mass, 'mass', studio.units, { step: displayStep(material.mass, 1e-5) })} each · ${show(material.density, 'density', studio.units)}`
}
</script>

<template>
  <div class="listed page">
    <div class="title">
      <h1>Materials</h1>
      <span class="grow" />
      <ElButton @click="arriving = true">Import</ElButton>
      <ElDropdown :persistent="false" trigger="click" @command="handOut">
        <ElButton>Export<ChevronDown :size="14" aria-hidden="true" /></ElButton>
        <template #dropdown>
          <ElDropdownMenu>
            <ElDropdownItem command="csv">CSV, a table</ElDropdownItem>
            <ElDropdownItem command="json">JSON</ElDropdownItem>
          </ElDropdownMenu>
        </template>
      </ElDropdown>
      <ElButton
        v-if="mixable"
        tag="router-link"
        type="primary"
        :to="{ name: 'desk', query: { of: wanted } }"
        >Mix it</ElButton
      >
    </div>
    <ExchangeDialog v-model="arriving" />
    <div class="split listing">
      <section class="panel list" aria-label="Materials">
        <ProblemNote
          v-for="problem in [...problems, ...notOpened]"
          :key="problem.code"
          :problem="problem"
        />
        <template v-for="group in groups" :key="group.kind">
          <div class="row head">
            <h2>{{ group.title }}</h2>
            <ElButton
              link
              type="primary"
              :aria-label="`Add a ${group.one}`"
              @click="add(group.kind)"
            >
              <Plus :size="14" aria-hidden="true" />Add
            </ElButton>
          </div>
          <p v-if="of(group.kind).length === 0" class="quiet small none">None yet.</p>
          <ul>
            <li
              v-for="entry in of(group.kind)"
              :key="entry.id"
              :class="{ on: entry.id === wanted }"
            >
              <RouterLink :to="{ name: 'shelf', params: { material: entry.id } }">
                <i :class="entry.document.kind" :style="{ background: colourIn(entry.document) }" />
                <span>
                  <b>{{ entry.document.name }}</b>
                  <span class="quiet small">{{ facts(entry.document) }}</span>
                </span>
              </RouterLink>
              <RemoveButton
                class="x"
                :label="`Delete ${entry.document.name}`"
                @click="remove(entry)"
              />
            </li>
          </ul>
        </template>
      </section>
      <MaterialSheet v-if="open" :key="open.id" :session="open" />
      <section v-else class="panel">
        <EmptyPlace
          v-if="shelf.loaded && shelf.stored.length === 0"
          title="Which materials do you have?"
        >
          Type in what a data sheet says, and every pour can be weighed and timed from it.
          <template #next
            ><ElButton type="primary" @click="add('resin')">Add a resin</ElButton>
            <ElButton @click="addTypical"> Add typical materials </ElButton></template
          >
        </EmptyPlace>
      </section>
    </div>
  </div>
</template>

<style scoped>
li i {
  flex: none;
  width: 22px;
  height: 22px;
  border: 1px solid var(--shade);
  border-radius: var(--r-field);
}

li i.tint,
li i.recipe {
  border-radius: var(--r-round);
}

li i.recipe {
  border-radius: var(--r-round) 0 var(--r-round) var(--r-round);
}

li i.silicone {
  border-radius: var(--r-field) var(--r-field) var(--r-tiny) var(--r-tiny);
  border-width: 1px 1px 5px;
}

li i.inclusion {
  width: 15px;
  height: 15px;
  margin: 4px;
  border-radius: var(--r-tiny);
  rotate: 45deg;
}
</style>
