<script setup lang="ts">
import { computed, onMounted } from 'vue'
import { ElProgress } from 'element-plus'
import dayjs from 'dayjs'
import { lifeOf } from '@mivro/core/learn/learning'
import { kindLife } from '@mivro/core/mould'
import type { Pull } from '@mivro/core/work/pull'
import { showDuration } from '@mivro/core/base/units'
import { sayLives, wearStateWords } from '@mivro/words/mouldKind'
import type { Session } from '../../api/session.ts'
import { useLives } from '../../project/livesStore.ts'
import { showDay } from '../../ui/dates.ts'
import WearMarks from './WearMarks.vue'

/** How a mould has fared so far, and how long it will last at this pace. */
const props = defineProps<{ session: Session<'moulds'>; pulls: readonly Pull[] }>()
const mould = computed(() => props.session.document)
const now = dayjs().valueOf() / 1000
const lives = useLives()
onMounted(() => void lives.read())
const expected = computed(() => kindLife(mould.value.kind, mould.value, lives.lives))
const life = computed(() => lifeOf(mould.value, props.session.id, props.pulls, now, expected.value))
const late = computed(() => life.value.orderBy !== undefined && life.value.orderBy < now)
const day = (at: number) => showDay(dayjs(at * 1000).toISOString())
const worn = computed(() =>
  life.value.life > 0 ? Math.min(100, Math.round((100 * life.value.pulls) / life.value.life)) : 0,
)
const colour = computed(() => (life.value.state === 'fresh' ? 'var(--teal)' : 'var(--warn)'))
const percent = (share: number) => Math.round(100 * share)
const bar = ({ low, high }: { low: number; high: number }) => ({
  bottom: `${100 * low}%`,
  height: `${100 * (high - low)}%`,
})
const middle = (share: number) => ({ bottom: `${100 * share}%` })
</script>

<template>
  <section class="stack-8" aria-label="The life of the mould">
    <h2>Its life</h2>
    <div class="row">
      <span>{{ life.pulls }} of about {{ life.life }} pulls, {{ sayLives(life.band) }}</span>
      <span class="quiet small">{{ wearStateWords[life.state] }}</span>
    </div>
    <ElProgress
      :percentage="worn"
      :show-text="false"
      :stroke-width="8"
      :color="colour"
      aria-label="How far it is worn"
    />
    <p v-if="life.orderBy !== undefined && life.perWeek" class="when">
      At {{ life.perWeek.toFixed(1) }} pulls a week it ends about {{ day(life.ends!) }}:
      <b>{{ late ? 'order the next now.' : `order the next by ${day(life.orderBy)}.` }}</b>
    </p>
    <template v-if="life.good.of > 0">
      <p>
        {{ life.good.seen }} of {{ life.good.of }} casts good
        <span class="quiet small">
          between {{ percent(life.good.rate.low) }} and {{ percent(life.good.rate.high) }} %, nine
          times in ten
        </span>
      </p>
      <div class="curve" role="img" aria-label="Share of good casts as the mould ages">
        <div v-for="one in life.stretches" :key="one.from" class="stretch">
          <span class="tube">
            <i :style="bar(one.rate)" />
            <u :style="middle(one.rate.middle)" />
          </span>
          <span class="quiet small">{{
            one.from === one.until ? one.from : `${one.from}–${one.until}`
          }}</span>
        </div>
      </div>
      <p class="quiet small">Share of good casts, pull by pull, with its width.</p>
    </template>
    <p v-if="life.mending">
      Mending takes {{ showDuration(life.mending.middle, 'second') }}
      <span class="quiet small">of {{ life.mending.count }} mended casts</span>
    </p>
  </section>
  <WearMarks :session="session" :pulls="life.pulls" />
</template>

<style scoped>
.when b {
  font-weight: 600;
}

.curve {
  display: flex;
  gap: 18px;
}

.stretch {
  display: flex;
  flex-direction: column;
  align-items: center;
  gap: 4px;
}

.tube {
  position: relative;
  width: 26px;
  height: 84px;
  border-radius: var(--r-small);
  background: var(--track);
}

.tube i {
  position: absolute;
  left: 0;
  right: 0;
  border-radius: var(--r-small);
  background: var(--teal-mid);
}

.tube u {
  position: absolute;
  left: -3px;
  right: -3px;
  height: 3px;
  background: var(--teal);
}
</style>
