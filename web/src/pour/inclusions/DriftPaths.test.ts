import { mount } from '@vue/test-utils'
import { Line } from 'vue-chartjs'
import { createPinia, setActivePinia } from 'pinia'
import { expect, it } from 'vitest'
import type { Settling } from '@mivro/core/matter/inclusion'
import DriftPaths from './DriftPaths.vue'

const settling: Pick<Settling, 'holdsFrom' | 'gel'> = { holdsFrom: 900, gel: 1800 }
const path = [
  { at: 60, height: 0.004 },
  { at: 1800, height: 0 },
]
const thing = (late: boolean) => ({
  name: 'Star',
  colour: '#888888',
  path,
  settling: settling as Settling,
  late,
})

it('only what is set in once the layer holds it is marked from when on it stays', () => {
  setActivePinia(createPinia())
  const marks = (late: boolean) => {
    const shown = mount(DriftPaths, {
      props: { things: [thing(late)], depth: 0.01 },
      shallow: true,
    })
    const { options } = shown.findComponent(Line).props() as {
      options: { plugins: { annotation: { annotations: Record<string, { value: number }> } } }
    }
    return Object.values(options.plugins.annotation.annotations).map(({ value }) => value)
  }
  expect(marks(true)).toEqual([15])
  expect(marks(false)).toEqual([])
})
