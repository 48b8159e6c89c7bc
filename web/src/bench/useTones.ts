import { onScopeDispose } from 'vue'

/** A tone from the page's own sound: Hz, how loud, from and for how long, s. */
export interface Tone {
  pitch: number
  loud: number
  from: number
  takes: number
}

/** Plays tones; where there is no sound what is said stands there all the same. */
export function useTones(): (tones: readonly Tone[]) => void {
  let context: AudioContext | undefined
  onScopeDispose(() => void context?.close().catch(() => {}))
  return (tones) => {
    try {
      context ??= new AudioContext()
      const now = context.currentTime
      for (const { pitch, loud, from, takes } of tones) {
        const tone = context.createOscillator()
        const volume = context.createGain()
        tone.frequency.value = pitch
        volume.gain.setValueAtTime(0.0001, now + from)
        volume.gain.exponentialRampToValueAtTime(loud, now + from + takes / 8)
        volume.gain.exponentialRampToValueAtTime(0.0001, now + from + takes)
        tone.connect(volume).connect(context.destination)
        tone.start(now + from)
        tone.stop(now + from + takes)
      }
    } catch {
      // Without sound the text stands there all the same.
    }
  }
}
