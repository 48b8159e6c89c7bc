import { computed, onScopeDispose, ref, watch, type Ref } from 'vue'
import { cuesDue, type Cue } from '@mivro/core/work/bench'
import { sayCue } from '@mivro/words/bench'
import { useTones } from './useTones.ts'

/** What was said, the newest first. */
export interface Said {
  at: number
  text: string
  urgent: boolean
}

const kept = 5

/** What was said so long ago is no news any more, s. */
const saidFor = 600

/**
 * Says what is due: by the browser's voice where it has one, by a chime before it, and as text
 * always: that is answered, nothing any more once it `ends`.
 */
export function useVoice(
  cues: Ref<readonly Cue[]>,
  now: Ref<number>,
  { speaks, ends }: { speaks: Ref<boolean>; ends: () => boolean | undefined },
) {
  const said = ref<Said[]>([])
  const play = useTones()
  const chime = (urgent: boolean) =>
    play(
      (urgent ? [880, 660, 880] : [660, 880]).map((pitch, i) => ({
        pitch,
        loud: 0.2,
        from: i * 0.16,
        takes: 0.16,
      })),
    )

  /** What is called out at each turn of a mould has the beat beside it, and no chime. */
  function say(text: string, { at, urgent }: Omit<Said, 'text'>, chimes = true): void {
    said.value = [{ at, text, urgent }, ...said.value].slice(0, kept)
    if (!speaks.value) return
    if (chimes) chime(urgent)
    if ('speechSynthesis' in window) {
      speechSynthesis.speak(new SpeechSynthesisUtterance(text))
    }
  }

  watch(now, (until, from) => {
    if (!from || until <= from) return
    for (const cue of cuesDue(cues.value, from, until)) {
      const urgent = cue.when === 'over' && cue.clock.kind === 'deadline'
      say(sayCue(cue), { at: cue.at, urgent }, cue.when !== 'lie')
    }
  })
  onScopeDispose(() => {
    if ('speechSynthesis' in window) speechSynthesis.cancel()
  })
  return computed(() => (ends() ? [] : said.value.filter(({ at }) => now.value - at < saidFor)))
}
