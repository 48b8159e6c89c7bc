<script setup lang="ts">
import { computed, onMounted, ref, shallowRef, watch } from 'vue'
import { ElButton, ElDatePicker, ElInput, ElPagination, ElTable, ElTableColumn } from 'element-plus'
import { useRouter } from 'vue-router'
import { Download } from 'lucide-vue-next'
import {
  comparisons,
  compareLog,
  faultNames,
  filterLog,
  outcomes,
  sumLog,
  type Comparison,
  type LogFilter,
  type LogRow,
  type Outcome,
} from '@mivro/core/work/pull'
import { rateOf } from '@mivro/core/learn/diagnosis'
import { show } from '@mivro/core/base/units'
import { wayWords } from '@mivro/words/air'
import { outcomeWords } from '@mivro/words/pull'
import { api } from '../api/client.ts'
import { useStudio } from '../project/studioStore.ts'
import { showMoment } from '../ui/dates.ts'
import EmptyPlace from '../ui/EmptyPlace.vue'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'
import SegmentField from '../ui/SegmentField.vue'
import SelectField from '../ui/SelectField.vue'
import { saveLog } from './saveLog.ts'

/** The log over all pieces: filtered, compared, taken along. */
const router = useRouter()
const studio = useStudio()
const { problems, trying } = useProblems()
const rows = shallowRef<LogRow[]>()
onMounted(() => trying(async () => void (rows.value = (await api.log()).rows)))

const filter = ref<LogFilter>({})
const found = computed(() => filterLog(rows.value ?? [], filter.value))
const perPage = 40
const page = ref(1)
watch(found, () => (page.value = 1))
const shown = computed(() => found.value.slice((page.value - 1) * perPage, page.value * perPage))

/** What a filter offers: each once, by its name. */
function unique(of: (row: LogRow) => [string, string] | undefined) {
  const names = new Map<string, string>()
  for (const row of rows.value ?? []) {
    const pair = of(row)
    if (pair) names.set(...pair)
  }
  return [...names].map(([value, label]) => ({ value, label }))
}
const any = { value: '', label: 'any' }
const pieces = computed(() => [any, ...unique((row) => [row.piece, row.pieceName])])
const moulds = computed(() => [
  any,
  ...unique((row) =>
    row.mould ? [row.mould, row.mouldName ?? 'a mould that is gone'] : undefined,
  ),
])
const faults = [any, ...faultNames]
const results = [any, ...outcomes.map((value) => ({ value, label: outcomeWords[value] }))]
const days = computed({
  get: () =>
    filter.value.from && filter.value.until ? [filter.value.from, filter.value.until] : undefined,
  set: (range?: string[] | null) => {
    filter.value = { ...filter.value, from: range?.[0], until: range?.[1] }
  },
})
const set = (values: LogFilter) => (filter.value = { ...filter.value, ...values })
const chosen = (value: string) => (value === '' ? undefined : value)

const by = ref<Comparison>('piece')
const groups = computed(() =>
  compareLog(found.value, by.value).map((group) => ({
    ...group,
    name: by.value === 'way' ? wayWords[group.name as keyof typeof wayWords] : group.name,
    rate: rateOf({ seen: group.good, of: group.copies, worth: group.worth }),
  })),
)
const percent = (share: number) => Math.round(100 * share)
const width = (low: number, high: number) => ({
  left: `${100 * low}%`,
  width: `${100 * (high - low)}%`,
})
const middle = (share: number) => ({ left: `${100 * share}%` })

const sums = computed(() => sumLog(found.value))
const open = (row: LogRow) =>
  router.push({ name: 'pulls', params: { id: row.piece, pull: row.id } })
</script>

<template>
  <div class="page">
    <div class="title">
      <h1>Log</h1>
      <p v-if="rows" class="quiet" role="status">
        {{ found.length }} {{ found.length === 1 ? 'pull' : 'pulls' }} · {{ sums.copies }} casts ·
        {{ sums.good }} good
      </p>
      <span class="gap grow" />
      <ElButton :disabled="found.length === 0" @click="trying(() => saveLog(found, 'csv'))">
        <Download :size="15" aria-hidden="true" />CSV
      </ElButton>
      <ElButton :disabled="found.length === 0" @click="trying(() => saveLog(found, 'json'))">
        <Download :size="15" aria-hidden="true" />JSON
      </ElButton>
    </div>
    <div class="split">
      <section class="panel main" aria-label="Pulls">
        <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
        <EmptyPlace v-if="rows?.length === 0" title="Nothing was poured yet">
          Every pull stands here, with what was weighed and how it came out. A bench writes it by
          itself.
        </EmptyPlace>
        <template v-else-if="rows">
          <ElTable :data="shown" class="log" row-key="id" @row-click="open">
            <ElTableColumn v-slot="{ row }" label="Poured" width="150">
              <RouterLink :to="{ name: 'pulls', params: { id: row.piece, pull: row.id } }">{{
                showMoment(row.pouredAt)
              }}</RouterLink>
            </ElTableColumn>
            <ElTableColumn prop="pieceName" label="Piece" min-width="130" />
            <ElTableColumn v-slot="{ row }" label="Casts" width="96" class-name="num">
              {{ row.good }} of {{ row.copies }}
            </ElTableColumn>
            <ElTableColumn v-slot="{ row }" label="Result" width="90">
              <span class="result" :class="row.outcome"
                ><i />{{ outcomeWords[row.outcome as Outcome] }}</span
              >
            </ElTableColumn>
            <ElTableColumn v-slot="{ row }" label="Faults" min-width="150">
              {{ row.faults.join(', ') }}
              <span v-if="row.changes > 0" class="changed">changed since</span>
              <span v-if="row.trial" class="changed">trial</span>
            </ElTableColumn>
            <ElTableColumn v-slot="{ row }" label="Room" width="70" class-name="num">
              {{ show(row.room, 'temperature', studio.units) }}
            </ElTableColumn>
          </ElTable>
          <p v-if="found.length === 0" class="quiet none">
            No pull fits all of that. Leave something out.
          </p>
          <ElPagination
            v-if="found.length > perPage"
            v-model:current-page="page"
            class="pages"
            layout="prev, pager, next"
            :total="found.length"
            :page-size="perPage"
          />
        </template>
      </section>
      <aside class="panel beside" aria-label="What is looked at">
        <ElInput
          :model-value="filter.text ?? ''"
          clearable
          placeholder="Search notes, names, faults"
          aria-label="Search"
          @update:model-value="set({ text: $event })"
        />
        <SelectField
          label="Piece"
          filterable
          :options="pieces"
          :value="filter.piece ?? ''"
          @choose="set({ piece: chosen($event) })"
        />
        <SelectField
          label="Mould"
          filterable
          :options="moulds"
          :value="filter.mould ?? ''"
          @choose="set({ mould: chosen($event) })"
        />
        <SelectField
          label="Fault"
          filterable
          :options="faults"
          :value="filter.fault ?? ''"
          @choose="set({ fault: chosen($event) })"
        />
        <SelectField
          label="Result"
          :options="results"
          :value="filter.outcome ?? ''"
          @choose="set({ outcome: chosen($event) as Outcome | undefined })"
        />
        <ElDatePicker
          v-model="days"
          type="daterange"
          value-format="YYYY-MM-DD"
          start-placeholder="from"
          end-placeholder="until"
          aria-label="Days"
        />
        <ElButton @click="filter = {}">Show all</ElButton>
        <SegmentField
          above
          label="Compare by"
          :options="comparisons"
          :value="by"
          @choose="by = $event"
        />
        <ul class="stack-10" aria-label="Comparison">
          <li v-for="group in groups.slice(0, 12)" :key="group.name">
            <div class="row">
              <span>{{ group.name }}</span>
              <b class="num">{{ group.good }} of {{ group.copies }}</b>
            </div>
            <div class="share" aria-hidden="true">
              <i :style="width(group.rate.low, group.rate.high)" />
              <u :style="middle(group.rate.middle)" />
            </div>
            <span class="quiet small">
              good, between {{ percent(group.rate.low) }} and {{ percent(group.rate.high) }} %, nine
              times in ten
            </span>
          </li>
        </ul>
      </aside>
    </div>
  </div>
</template>

<style scoped>
.main {
  display: flex;
  flex-direction: column;
  min-height: 0;
  padding: 8px 16px 12px;
  overflow: hidden auto;
}

.log {
  flex: none;
}

.log :deep(.el-table__row) {
  cursor: pointer;
}

.result {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}

.result i {
  width: 9px;
  height: 9px;
  border: 2px solid var(--warn);
  border-radius: var(--r);
}

.result.good i {
  border-color: var(--ok);
  background: var(--ok);
}

.result.lost i {
  border-color: var(--stop);
  border-radius: var(--r-tiny);
}

.changed {
  padding: 0 6px;
  border-radius: var(--r-small);
  background: var(--amber-soft);
  color: var(--amber-ink);
  font-size: var(--size-small);
}

.none {
  padding: 24px;
  text-align: center;
}

.pages {
  justify-content: center;
  margin-top: 12px;
}

.beside :deep(.el-date-editor) {
  flex: none;
  width: 100%;
}

.row > :first-child {
  min-width: 0;
}

.share {
  position: relative;
  height: 8px;
  margin: 3px 0;
  border-radius: var(--r-round);
  background: var(--track);
}

.share i {
  position: absolute;
  top: 0;
  bottom: 0;
  border-radius: var(--r-round);
  background: var(--teal-mid);
}

.share u {
  position: absolute;
  top: -2px;
  bottom: -2px;
  width: 3px;
  background: var(--teal);
}
</style>
