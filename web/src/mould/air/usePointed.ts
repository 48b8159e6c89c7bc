import { computed } from 'vue'
import type { CautionCode } from '@mivro/core/base/caution'
import type { Vec3 } from '@mivro/core/form/mesh'
import { show, showTiny } from '@mivro/core/base/units'
import { useStudio } from '../../project/studioStore.ts'
import { useProject } from '../../project/projectStore.ts'

/** A place of the piece that the drawing points at. */
export interface Pointed {
  at: Vec3
  title: string
  says: string
}

const words: Partial<Record<CautionCode, string>> = {
  'silicone-tongue': 'Silicone tears here',
  'silicone-pin': 'A pin tears here',
  'wall-thin': 'A thin wall',
}

/** More would not find room beside the drawing. */
const most = 8

/** What is pointed at: pockets of air, or places where silicone or a wall is thin. */
export function usePointed(parting: () => boolean) {
  const project = useProject()
  const studio = useStudio()
  const pockets = (): Pointed[] =>
    (project.air?.pockets ?? []).map(({ top, volume, topHeight, prefilled }) => ({
      at: top,
      title: `${prefilled ? 'Prefilled' : 'Air stays'} ${showTiny(volume, studio.units)}`,
      says: `top at ${show(topHeight, 'length', studio.units)}`,
    }))
  const thin = (): Pointed[] =>
    project.judged.flatMap(({ at, caution, sure }) => {
      const title = words[caution.code]
      return at && title ? [{ at, title, says: sure === 'guess' ? 'perhaps' : sure }] : []
    })
  return computed(() => (parting() ? thin() : pockets()).slice(0, most))
}
