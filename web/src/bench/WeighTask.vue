<script setup lang="ts">
import { computed } from 'vue'
import { ElButton } from 'element-plus'
import { aroundWeighing, isTooCoarse, type Bench } from '@mivro/core/work/bench'
import { scaleUnits } from '@mivro/core/base/units'
import { troubleWords } from '@mivro/words/bench'
import { sayProblem } from '@mivro/words/problem'
import { grams, gramsOnly, sayCoarse, sayPast, sayShort, sayWeighed } from '@mivro/words/weighed'
import type { Problem } from '@mivro/core/base/problem'
import { useStudio } from '../project/studioStore.ts'
import type { UseWeighing } from './useWeighing.ts'
import WeighCup from './WeighCup.vue'

/** One part on the scale: how much is to go, the band that is good, what past the mark costs. */
const props = defineProps<{ bench: Bench; weighing: UseWeighing; refusal?: Problem }>()
defineEmits<{ otherBottle: [] }>()
const studio = useStudio()
const task = computed(() => props.weighing.task.value!)
const weighed = computed(() => props.weighing.now.value!.weighed)
const unit = computed(() => scaleUnits(task.value.step, studio.units).mass)
const figureShown = computed(() => {
  const { toGo, state } = weighed.value
  return state === 'past'
    ? `+${gramsOnly(-toGo, task.value, studio.units)}`
    : gramsOnly(Math.max(0, toGo), task.value, studio.units)
})
const onScale = computed(() => {
  const shown = props.weighing.shown.value
  return shown === undefined ? '–' : gramsOnly(shown, task.value, studio.units)
})
const around = computed(() => aroundWeighing(props.bench, task.value, weighed.value.inCup))
const before = computed(() => around.value.before)
const after = computed(() => around.value.after)
const next = computed(() => around.value.next)
const filled = computed(() => Math.floor(weighed.value.fills * 10) / 10)
const percent = (share: number) => `${Math.abs(100 * share).toFixed(1)} %`
const nudge = (by: number) => {
  const { typed } = props.weighing
  typed.value = Math.max(0, typed.value + by * task.value.step)
}
/** The scale is too coarse for this part: said before it is poured. */
const coarse = computed(() => isTooCoarse(task.value) && weighed.value.state !== 'good')
const said = computed(() => {
  if (props.refusal) return sayProblem(props.refusal, studio.units)
  const trouble = props.weighing.trouble.value
  return trouble && troubleWords[trouble]('scale')
})
</script>

<template>
  <div v-if="weighing.toPlace.value" class="weigh">
    <div class="look">
      <WeighCup :task="task" :weighed="{ ...weighed, inCup: 0 }" :before="0" :after="0" />
      <div class="figures">
        <p class="read" data-read>
          <b>{{ onScale }}</b> <small>{{ unit }} on the scale</small>
        </p>
        <p class="lead">
          Put {{ task.apart === 'own cup' ? `a clean cup for ${task.name}` : 'the mixing cup' }} on
          the scale, then tare.
        </p>
        <p class="quiet">
          {{ grams(weighed.target.mass, task, studio.units) }} of {{ task.name }} will go in.
        </p>
        <p v-if="coarse" class="past" role="status">{{ sayCoarse(task, studio.units) }}</p>
        <p v-if="said" class="trouble" role="alert">{{ said }}</p>
      </div>
    </div>
  </div>
  <div v-else class="weigh" :class="weighed.state">
    <div class="look">
      <WeighCup :task="task" :weighed="weighed" :before="before" :after="after" />
      <div class="figures">
        <p class="read" data-read>
          <b>{{ figureShown }}</b>
          <small>{{ unit }} {{ weighed.state === 'past' ? 'past' : 'to go' }}</small>
        </p>
        <p class="lead">{{ sayWeighed(weighed, task, studio.units) }}</p>
        <p v-if="weighed.short" class="past" role="status">
          {{ sayShort(weighed.short, task, studio.units) }}
        </p>
        <p v-if="weighed.past" class="past" role="status">
          {{ sayPast(weighed, task, studio.units) }}
        </p>
        <p v-else-if="weighing.byHand.value" class="hand">
          By hand: weigh it on another scale.
          <ElButton size="large" @click="nudge(-1)"
            >− {{ gramsOnly(task.step, task, studio.units) }}</ElButton
          >
          <b class="num">{{ grams(weighing.typed.value, task, studio.units) }}</b>
          <ElButton size="large" @click="nudge(1)"
            >+ {{ gramsOnly(task.step, task, studio.units) }}</ElButton
          >
        </p>
        <p v-else-if="weighed.state === 'good'" class="good" role="status">
          Good, {{ percent(weighed.error) }} off.
          {{ weighing.steady.value ? 'Hold it steady.' : 'It settles.' }}
        </p>
        <p v-else class="quiet">Past it? The other part’s target moves to match.</p>
        <ElButton
          v-if="weighing.now.value?.other && weighed.state !== 'empty' && !weighing.byHand.value"
          class="other"
          @click="$emit('otherBottle')"
          >That was {{ weighing.now.value.other.name }} (X)</ElButton
        >
        <p v-if="said" class="trouble" role="alert">{{ said }}</p>
      </div>
    </div>
    <dl class="facts">
      <div>
        <dt>{{ next ? `then ${next.name}` : 'in this cup' }}</dt>
        <dd v-if="next">{{ grams(next.mass, next, studio.units) }}</dd>
        <dd v-else>{{ grams(before + weighed.inCup, task, studio.units) }}</dd>
      </div>
      <div>
        <dt>fills as it is</dt>
        <dd :class="{ short: filled < task.moulds }">{{ filled }} of {{ task.moulds }}</dd>
      </div>
      <div>
        <dt>cup after all of it</dt>
        <dd>{{ Math.round(100 * weighed.full) }} % full</dd>
      </div>
    </dl>
  </div>
</template>

<style scoped>
.weigh {
  display: flex;
  flex-direction: column;
  gap: 18px;
  min-height: 0;
  flex: 1;
}

.look {
  display: flex;
  align-items: center;
  gap: 40px;
  min-height: 0;
  flex: 1;
}

.figures {
  display: flex;
  flex-direction: column;
  gap: 10px;
  min-width: 0;
}

.read {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 14px;
}

.read b {
  font: 650 var(--bench-figure) / 1 var(--num);
  font-feature-settings: 'tnum';
  letter-spacing: -0.03em;
}

.read small {
  font: 600 var(--bench-clock) / 1 var(--num);
  color: var(--ink-2);
}

.good .read b {
  color: var(--ok);
}

.past .read b {
  color: var(--warn);
}

.lead {
  font-size: var(--bench-lead);
  color: var(--ink);
}

.past,
.short,
.trouble {
  color: var(--warn);
}

p.good {
  color: var(--ok);
}

.hand {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}

.hand .el-button {
  min-width: 84px;
  min-height: 64px;
}

.other.el-button {
  align-self: flex-start;
  min-height: 64px;
}

.trouble {
  padding: 10px 14px;
  border: 1px solid var(--warn);
  border-radius: var(--r);
}

.facts {
  display: grid;
  grid-template-columns: repeat(3, minmax(0, 1fr));
  gap: 14px;
}

.facts div {
  padding: 12px 16px;
  border-radius: var(--r);
  background: var(--panel);
}

.facts dt {
  color: var(--ink-2);
  white-space: nowrap;
  overflow: hidden;
  text-overflow: ellipsis;
}

.facts dd {
  font: 650 var(--size-head) / 1.3 var(--num);
}

@media (max-width: 1100px) {
  .look {
    gap: 20px;
  }

  .read b {
    font-size: var(--bench-figure-2);
  }
}
</style>
