import { computed } from 'vue'
import { show } from '@mivro/core/base/units'
import { lampWords } from '@mivro/words/bench'
import { useStudio } from '../project/studioStore.ts'
import type { UseBench } from './useBench.ts'
import type { UseInstruments } from './useInstruments.ts'
import type { UseWeighing } from './useWeighing.ts'

/** How scale, room and server are, each in a word or two. */
export function useLamps(open: UseBench, instruments: UseInstruments, weighing: UseWeighing) {
  const studio = useStudio()
  return computed(() => {
    const trouble = instruments.trouble('scale')
    // A cup that is taken off weighs less: that is trouble only while resin is poured into it.
    const pouring = weighing.task.value && !weighing.toPlace.value
    const scale = trouble === 'shrinking' && !pouring ? undefined : trouble
    const room = instruments.valueOf('room thermometer')
    return [
      {
        name: 'scale',
        ill: scale !== undefined || instruments.refusals.scale !== undefined,
        said: scale
          ? `scale: ${lampWords[scale]}`
          : weighing.steady.value
            ? 'scale steady'
            : 'scale moves',
      },
      {
        name: 'room',
        ill: room === undefined,
        said:
          room === undefined ? 'room unknown' : `room ${show(room, 'temperature', studio.units)}`,
      },
      {
        name: 'server',
        ill: !instruments.open.value || open.session.value?.state !== 'saved',
        said: open.session.value?.state === 'saved' ? 'recorded' : 'not recorded yet',
      },
    ]
  })
}
