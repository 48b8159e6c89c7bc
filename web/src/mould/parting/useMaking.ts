import { ref } from 'vue'
import { useProblems } from '../../ui/problems.ts'

/** Something that takes its time to be made for a file: what it is doing, and why it could not be. */
export function useMaking() {
  const { problems, trying } = useProblems()
  const busy = ref('')
  const making = (what: string, make: () => Promise<void>) =>
    trying(async () => {
      busy.value = what
      try {
        await make()
      } finally {
        busy.value = ''
      }
    })
  return { busy, problems, making }
}
