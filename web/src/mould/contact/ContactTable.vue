<script setup lang="ts">
import { computed, ref } from 'vue'
import { ElButton } from 'element-plus'
import { CircleCheck, CircleHelp, CircleX, Droplets } from 'lucide-vue-next'
import { safetyInTurn } from '@mivro/core/base/caution'
import type { ContactResult, Verdict } from '@mivro/core/mould'
import { roleWords, sayContact, verdictWords } from '@mivro/words/contact'
import { preparationWords } from '@mivro/words/prepare'
import { showDuration } from '@mivro/core/base/units'
import { newId } from '../../api/client.ts'
import { now } from '../../ui/dates.ts'
import SafetyLines from '../../ui/SafetyLines.vue'
import { useProject } from '../../project/projectStore.ts'
import { useContact } from './useContact.ts'

const project = useProject()
const { contact, results, made, preparing, change } = useContact()
const testing = ref<string>()

const looks: Record<Verdict, { icon: unknown; tone: string }> = {
  cures: { icon: CircleCheck, tone: 'ok' },
  inhibited: { icon: CircleX, tone: 'stop' },
  sticks: { icon: CircleX, tone: 'stop' },
  spoils: { icon: Droplets, tone: 'stop' },
  'soaks in': { icon: Droplets, tone: 'warn' },
  unknown: { icon: CircleHelp, tone: 'warn' },
}
const outcomes = ['cured clean', 'tacky', 'stuck'] as const

function keepTest({ surface, poured }: ContactResult, result: (typeof outcomes)[number]): void {
  const day = now().slice(0, 10)
  const test = { id: newId(), substance: surface.substance, poured, result, day, note: '' }
  change({ tests: [...contact.value.tests, test] })
  testing.value = undefined
}
/** Each line stands once, before the first step that it is about. */
const steps = computed(() => {
  const safetyOf = safetyInTurn()
  return preparing.value.map((step) => ({ ...step, safety: safetyOf('prepare', step.hazards) }))
})
const keyOf = ({ surface, poured }: ContactResult, i: number) => `${surface.substance}${poured}${i}`
</script>

<template>
  <div class="contact">
    <p v-if="!project.silicone" class="quiet lead">
      Choose a silicone first: what it meets decides whether it cures.
    </p>
    <ul v-else class="cards stack-10">
      <li
        v-for="(result, i) in results"
        :key="keyOf(result, i)"
        :class="looks[result.verdict].tone"
        :data-verdict="result.verdict"
      >
        <component
          :is="looks[result.verdict].icon"
          :size="20"
          :stroke-width="1.8"
          aria-hidden="true"
        />
        <div>
          <p class="head">
            <b>{{ verdictWords[result.verdict] }}</b>
            <span
              >{{ result.poured }} on {{ result.surface.substance }},
              {{ roleWords[result.as] }}</span
            >
          </p>
          <p>{{ sayContact(result).why }}</p>
          <p v-if="sayContact(result).wayOut"><b>Way out.</b> {{ sayContact(result).wayOut }}</p>
          <p v-if="testing === keyOf(result, i)" class="test">
            <span class="quiet small"
              >A spoonful on a hidden place, left as long as the sheet says. It …</span
            >
            <ElButton v-for="outcome in outcomes" :key="outcome" @click="keepTest(result, outcome)">
              {{
                outcome === 'cured clean'
                  ? 'cured clean'
                  : outcome === 'tacky'
                    ? 'stayed tacky'
                    : 'stuck'
              }}
            </ElButton>
          </p>
          <ElButton v-else link type="primary" @click="testing = keyOf(result, i)">
            {{ result.test ? 'Test it again' : 'Add patch test' }}
          </ElButton>
        </div>
      </li>
    </ul>
    <section v-if="made" class="prepare">
      <h2>Preparing the master</h2>
      <ol>
        <li v-for="(step, i) in steps" :key="step.does">
          <SafetyLines before="Before this" :lines="step.safety" />
          <p>
            <b class="num">{{ i + 1 }}</b>
            <span
              >{{ preparationWords[step.does].what
              }}<small class="quiet">{{ preparationWords[step.does].why }}</small></span
            >
            <span v-if="step.wait > 0" class="num wait">{{ showDuration(step.wait) }}</span>
          </p>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.contact {
  position: absolute;
  inset: 10px 0 0;
  padding: 4px 18px 18px;
  overflow: auto;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 18px;
  align-items: start;
}

.lead {
  font-size: var(--size-lead);
}

.cards li {
  display: grid;
  grid-template-columns: 22px 1fr;
  gap: 10px;
  padding: 12px 14px;
  border: 1px solid var(--line);
  border-left: 4px solid var(--ok);
  border-radius: var(--r);
  background: var(--panel);
}

.cards li.stop {
  border-left-color: var(--stop);
}

.cards li.warn {
  border-left-color: var(--warn);
}

.cards li.ok > svg {
  color: var(--ok);
}

.cards li.stop > svg {
  color: var(--stop);
}

.cards li.warn > svg {
  color: var(--warn);
}

.head {
  display: flex;
  gap: 8px;
  align-items: baseline;
}

.head b {
  font: 650 var(--size-lead) var(--num);
}

.test {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  margin-top: 6px;
}

.prepare {
  padding: 12px 14px;
  border: 1px solid var(--line);
  border-radius: var(--r);
  background: var(--veil);
}

.prepare li {
  padding: 7px 0;
  border-bottom: 1px solid var(--line-2);
}

.prepare li:last-child {
  border: 0;
}

.prepare li > p {
  display: grid;
  grid-template-columns: 20px 1fr auto;
  gap: 8px;
}

.prepare small {
  display: block;
  font-size: var(--size-small);
}

.wait {
  color: var(--amber-ink);
}

.prepare :deep(.safety) {
  margin-bottom: 6px;
}
</style>
