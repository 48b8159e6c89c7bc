import { onScopeDispose, ref, watch, type Ref } from 'vue'
import { cuesDue, type Cue } from '@mivro/core/work/bench'
import { sayCue } from '@mivro/words/bench'

/** What was said, the newest first. */
export interface Said {
  at: number
  text: string
  urgent: boolean
}

const kept = 5

/**
 * Says what is due: by the browser's voice where it has one, by a chime before it, and as text
 * always.
 */
export function useVoice(cues: Ref<readonly Cue[]>, now: Ref<number>, speaks: Ref<boolean>) {
  const said = ref<Said[]>([])
  let context: AudioContext | undefined

  function chime(urgent: boolean): void {
    try {
      context ??= new AudioContext()
      const from = context.currentTime
      for (const [i, pitch] of (urgent ? [880, 660, 880] : [660, 880]).entries()) {
        const tone = context.createOscillator()
        const loud = context.createGain()
        tone.frequency.value = pitch
        loud.gain.setValueAtTime(0.0001, from + i * 0.16)
        loud.gain.exponentialRampToValueAtTime(0.2, from + i * 0.16 + 0.02)
        loud.gain.exponentialRampToValueAtTime(0.0001, from + i * 0.16 + 0.15)
        tone.connect(loud).connect(context.destination)
        tone.start(from + i * 0.16)
        tone.stop(from + i * 0.16 + 0.16)
      }
    } catch {
      // Without sound the text stands there all the same.
    }
  }

  function say(text: string, { at, urgent }: Omit<Said, 'text'>): void {
    said.value = [{ at, text, urgent }, ...said.value].slice(0, kept)
    if (!speaks.value) return
    chime(urgent)
    if ('speechSynthesis' in window) {
      speechSynthesis.speak(new SpeechSynthesisUtterance(text))
    }
  }

  watch(now, (until, from) => {
    if (!from || until <= from) return
    for (const cue of cuesDue(cues.value, from, until)) {
      const urgent = cue.when === 'over' && cue.clock.kind === 'deadline'
      say(sayCue(cue), { at: cue.at, urgent })
    }
  })
  onScopeDispose(() => {
    if ('speechSynthesis' in window) speechSynthesis.cancel()
    void context?.close().catch(() => {})
  })
  return { said, say }
}
