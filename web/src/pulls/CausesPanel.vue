<script setup lang="ts">
import { computed } from 'vue'
import { ElButton, ElProgress } from 'element-plus'
import { remedies, type Evidence, type SignName } from '@mivro/core/learn/diagnosis'
import { causeWords, changeWords, sayLikely, signWords } from '@mivro/words/diagnosis'
import type { ChangeName } from '@mivro/core/work/pull'
import { useProject } from '../project/projectStore.ts'
import type { Pointed, usePullFacts } from './usePullFacts.ts'

/** Why it came out so: causes ranked, with what speaks for and against each, and what to change. */
const props = defineProps<{
  pointed: Pointed
  facts: ReturnType<typeof usePullFacts>
  told: Readonly<Record<string, boolean>>
  /** A change that is made at once, rather than noted for the next time. */
  made: (what: ChangeName, pointed: Pointed) => boolean
  taken: readonly ChangeName[]
}>()
const emit = defineEmits<{
  tell: [sign: SignName, seen: boolean]
  take: [what: ChangeName, cause: string]
}>()
const project = useProject()
const found = computed(() => props.facts.diagnosisOf(props.pointed))
const suspects = computed(() => found.value.suspects.slice(0, 3))
const say = ({ sign, seen }: Evidence) => signWords[sign][seen ? 'yes' : 'no']
const list = (evidence: readonly Evidence[]) => evidence.slice(0, 4).map(say).join(', ')
const first = computed(() => suspects.value[0])
const offers = computed(() =>
  (first.value ? remedies[first.value.cause] : []).map((what) => {
    const taken = props.taken.includes(what)
    const made = props.made(what, props.pointed)
    const label = changeWords[what] + (taken ? ': taken' : made ? '' : ' (as a note)')
    return { what, taken, label, made }
  }),
)
const shareOf = (likely: number) => Math.round(100 * likely)
</script>

<template>
  <section class="causes" aria-label="Causes">
    <h2>Why: {{ pointed.fault }}</h2>
    <p v-if="project.airBusy" class="quiet small">Following the air in the mould …</p>
    <ol>
      <li v-for="suspect in suspects" :key="suspect.cause" :data-cause="suspect.cause">
        <div class="row">
          <b>{{ causeWords[suspect.cause] }}</b>
          <span class="num">{{ sayLikely(suspect.likely) }}</span>
        </div>
        <ElProgress
          :percentage="shareOf(suspect.likely)"
          :show-text="false"
          :stroke-width="5"
          :aria-label="`How likely: ${suspect.cause}`"
        />
        <p v-if="suspect.speaks.length > 0" class="small">For it: {{ list(suspect.speaks) }}.</p>
        <p v-if="suspect.against.length > 0" class="small quiet">
          Against it: {{ list(suspect.against) }}.
        </p>
      </li>
    </ol>
    <div v-if="found.ask.length > 0" class="ask stack-10">
      <h3>What would tell the first two apart</h3>
      <div v-for="sign in found.ask" :key="sign" class="row">
        <span>{{ signWords[sign].ask }}</span>
        <span class="answers">
          <ElButton
            size="small"
            :aria-label="`Yes: ${signWords[sign].ask}`"
            @click="emit('tell', sign, true)"
            >Yes</ElButton
          >
          <ElButton
            size="small"
            :aria-label="`No: ${signWords[sign].ask}`"
            @click="emit('tell', sign, false)"
            >No</ElButton
          >
        </span>
      </div>
    </div>
    <div v-if="first" class="offers">
      <h3>What to change</h3>
      <ElButton
        v-for="{ what, taken: was, label, made: at } in offers"
        :key="what"
        :type="at ? 'primary' : undefined"
        :disabled="was"
        @click="emit('take', what, first.cause)"
        >{{ label }}</ElButton
      >
    </div>
    <p class="quiet small">
      Likelihoods are common practice, no source. They weigh what was written down; look at the
      piece before you believe them.
    </p>
  </section>
</template>

<style scoped>
.causes {
  display: flex;
  flex-direction: column;
  gap: 12px;
  padding: 14px 16px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--table);
}

ol,
li {
  display: flex;
  flex-direction: column;
  gap: 3px;
}

li b {
  font-weight: 600;
}

.row {
  align-items: center;
}

.answers {
  display: flex;
  flex: none;
  gap: 6px;
}

.offers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}

.offers h3 {
  flex-basis: 100%;
}
</style>
