import { flushPromises } from '@vue/test-utils'
import { useProject } from './projectStore.ts'

/** The project of piece `p` once it is loaded, for tests. */
export async function openedProject() {
  const project = useProject()
  await project.open('p')
  await flushPromises()
  return project
}
