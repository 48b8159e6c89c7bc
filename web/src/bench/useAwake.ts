import { onMounted, onScopeDispose, ref } from 'vue'

/** Keeps the screen on while the bench is open, where the browser can; answers whether it does. */
export function useAwake() {
  const awake = ref(false)
  let lock: WakeLockSentinel | undefined
  async function hold(): Promise<void> {
    if (!('wakeLock' in navigator) || document.visibilityState !== 'visible') return
    lock = await navigator.wakeLock.request('screen').catch(() => undefined)
    awake.value = lock !== undefined
    lock?.addEventListener('release', () => (awake.value = false))
  }
  const again = () => void hold()
  onMounted(() => {
    void hold()
    document.addEventListener('visibilitychange', again)
  })
  onScopeDispose(() => {
    document.removeEventListener('visibilitychange', again)
    void lock?.release().catch(() => {})
  })
  return awake
}
