<script setup lang="ts">
import { computed, watch } from 'vue'
import { ElButton } from 'element-plus'
import dayjs from 'dayjs'
import { wearMarks, type WearMark } from '@mivro/core/mould'
import { wearMarkWords } from '@mivro/words/mouldKind'
import type { Session } from '../../api/session.ts'
import { useLives } from '../../project/livesStore.ts'
import CountField from '../../ui/CountField.vue'
import { showDay } from '../../ui/dates.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import RemoveButton from '../../ui/RemoveButton.vue'
import TextField from '../../ui/TextField.vue'
import { mouldChange } from './mouldChange.ts'

/** Tears, patches and the end of a mould, each with the pull at which it was seen. */
const props = defineProps<{
  session: Session<'moulds'>
  /** Pulls of each so far. */
  pulls: number
}>()
const lives = useLives()
const change = mouldChange(() => props.session)
const marks = computed(() => props.session.document.marks ?? [])
const put = (index: number, values: Partial<WearMark>) =>
  change({ marks: marks.value.map((one, i) => (i === index ? { ...one, ...values } : one)) })
const add = (what: WearMark['what']) =>
  change({
    marks: [
      ...marks.value,
      { what, on: dayjs().format('YYYY-MM-DD'), pulls: props.pulls, where: '' },
    ],
  })
const ended = computed(() => marks.value.some(({ what }) => what === 'ended'))
/** What one's own moulds have shown follows once the end of this one is kept. */
watch(
  () => props.session.revision,
  () => void lives.read(),
)
</script>

<template>
  <section class="marks" aria-label="Tears and patches">
    <h2>Tears and patches</h2>
    <ol v-if="marks.length > 0">
      <li v-for="(mark, i) in marks" :key="i" :data-mark="mark.what">
        <span>
          <b>{{ wearMarkWords[mark.what].seen }}</b>
          <span class="quiet small">{{ showDay(mark.on) }}</span>
        </span>
        <CountField
          bare
          unit="pulls"
          :label="`Pulls until then: ${wearMarkWords[mark.what].seen}`"
          :value="mark.pulls"
          :take="(after) => put(i, { pulls: after })"
        />
        <TextField
          bare
          :label="`Where: ${wearMarkWords[mark.what].seen}`"
          :placeholder="wearMarkWords[mark.what].where"
          :value="mark.where"
          :take="(where) => put(i, { where })"
        />
        <RemoveButton
          :label="`Remove ${wearMarkWords[mark.what].seen}`"
          @click="change({ marks: marks.toSpliced(i, 1) })"
        />
      </li>
    </ol>
    <div class="row tools">
      <ElButton
        v-for="what in wearMarks"
        :key="what"
        size="small"
        :disabled="what === 'ended' && ended"
        @click="add(what)"
      >
        {{ wearMarkWords[what].add }}
      </ElButton>
    </div>
    <ProblemNote v-for="problem in lives.problems" :key="problem.code" :problem="problem" />
    <p class="quiet small">
      A small tear that is closed carefully leaves a line of flash that rubs off. Where a mould has
      come to its end, the pulls it gave tell how long the next of its kind will last.
    </p>
  </section>
</template>

<style scoped>
.marks {
  display: flex;
  flex-direction: column;
  gap: 10px;
}

ol {
  list-style: none;
}

li {
  display: grid;
  grid-template-columns: minmax(84px, auto) 92px minmax(0, 1fr) auto;
  align-items: center;
  gap: 14px;
  padding: 4px 0;
  border-bottom: 1px solid var(--line-2);
}

li > span {
  display: flex;
  flex-direction: column;
}

.tools {
  gap: 8px;
  flex-wrap: wrap;
  justify-content: flex-start;
}
</style>
