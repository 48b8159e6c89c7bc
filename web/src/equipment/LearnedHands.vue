<script setup lang="ts">
import { computed, onMounted, shallowRef } from 'vue'
import { ElButton } from 'element-plus'
import type { Bench } from '@mivro/core/work/bench'
import { learnedHands, type LearnedHand } from '@mivro/core/learn/learning'
import { usualHands, type Hands } from '@mivro/core/work/run'
import { showDuration } from '@mivro/core/base/units'
import { handWords } from '@mivro/words/equipment'
import type { Stored } from '../api/client.ts'
import { listNewest } from '../api/sessions.ts'
import ProblemNote from '../ui/ProblemNote.vue'
import { useProblems } from '../ui/problems.ts'

/** What hands really took at the bench, beside what runs are planned with. */
const props = defineProps<{ hands: Hands; take: (hands: Hands) => void }>()
const benches = shallowRef<Stored<Bench>[]>([])
const { problems, trying } = useProblems()
onMounted(() => trying(async () => void (benches.value = await listNewest('benches'))))
const learned = computed(() =>
  learnedHands(
    benches.value.map(({ document }) => document),
    props.hands,
  ),
)
const second = (value: number) => showDuration(value, 'second')
const said = ({ count, middle, low, high }: LearnedHand) =>
  `${second(middle)}, mostly ${second(low)} to ${second(high)}, seen ${count} times`
const use = ({ hand, middle }: LearnedHand) =>
  props.take({ ...props.hands, [hand]: Math.round(middle) })
const back = ({ hand }: LearnedHand) => props.take({ ...props.hands, [hand]: usualHands[hand] })
const planned = ({ hand, middle }: LearnedHand) => props.hands[hand] === Math.round(middle)
const usual = ({ hand }: LearnedHand) => props.hands[hand] === usualHands[hand]
</script>

<template>
  <div class="learned">
    <h3>Learned at the bench</h3>
    <ProblemNote v-for="problem in problems" :key="problem.code" :problem="problem" />
    <p v-if="learned.length === 0" class="quiet small">
      Nothing yet: what hands take is learned from runs that are carried out at the bench, once it
      was seen three times.
    </p>
    <ul v-else>
      <li v-for="one in learned" :key="one.hand">
        <b>{{ handWords[one.hand] }}</b>
        <span>{{ said(one) }}</span>
        <span class="quiet small">planned with {{ second(hands[one.hand]) }}</span>
        <ElButton v-if="!planned(one)" size="small" @click="use(one)">Plan with it</ElButton>
        <ElButton v-if="!usual(one)" size="small" @click="back(one)">Back to the usual</ElButton>
      </li>
    </ul>
  </div>
</template>

<style scoped>
.learned,
ul {
  display: flex;
  flex-direction: column;
  gap: 8px;
}

li {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 14px;
}

b {
  min-width: 190px;
  font-weight: 600;
}
</style>
