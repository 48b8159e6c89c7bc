import { useSessionStorage } from '@vueuse/core'

/** A newcomer is led to a first piece and its weights; while the tab is open, or until it is put away. */
export const led = useSessionStorage('mivro-first-steps', false)
