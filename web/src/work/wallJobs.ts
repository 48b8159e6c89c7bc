import { section } from '@mivro/core/form/filling'
import type { TurnedWall, WallMap } from '@mivro/core/form/wall'
import type { DepthsQuestion, ShapeAsItLies, SurveyQuestion } from '@mivro/core/work/project'
import type { Mesh } from '@mivro/core/form/mesh'
import type { Form } from '@mivro/core/form/piece'

interface WallMapQuestion extends ShapeAsItLies {
  turned: TurnedWall
  /** Fewer than all are a first picture. */
  ways?: number
}

interface MapOnCutQuestion extends SurveyQuestion {
  map: WallMap
  turned: TurnedWall
}

interface NarrowQuestion extends ShapeAsItLies {
  /** m */
  wall: number
}

/** The cavity of a form. */
interface Cavities {
  cavity: (form: Form) => Promise<{ mesh: Mesh }>
}

/** What is asked about hollow casts; what looks for the nearest wall is only loaded by them. */
export const wallJobs = {
  /** How deep its cavity lies under its walls, for what is cast hollow. */
  async depths({ form, up, mouth }: DepthsQuestion, { cavity }: Cavities) {
    const { mesh } = await cavity(form)
    const { wallDepths } = await import('./walls.ts')
    return wallDepths(mesh, up, { mouth })
  },

  /** The same on a cut. */
  async depthsOnCut(
    { form, up, turn, mouth }: SurveyQuestion & DepthsQuestion,
    { cavity }: Cavities,
  ) {
    const { mesh } = await cavity(form)
    const { depthsOnSection } = await import('./walls.ts')
    return depthsOnSection(mesh, section(mesh, up, turn), { mouth })
  },

  /** Where a wall fills all there is, and where a brush goes first. */
  async narrow({ form, up, wall }: NarrowQuestion, { cavity }: Cavities) {
    const { mesh } = await cavity(form)
    const { narrowPlaces } = await import('./walls.ts')
    return narrowPlaces(mesh, up, wall)
  },

  /** How evenly it is lined when it is turned. */
  async wallMap({ form, up, turned, ways }: WallMapQuestion, { cavity }: Cavities) {
    const { mesh } = await cavity(form)
    const { wallMap } = await import('./walls.ts')
    return wallMap(mesh, up, turned, { ways })
  },

  /** And on a cut. */
  async mapOnCut({ form, up, turn, map, turned }: MapOnCutQuestion, { cavity }: Cavities) {
    const { mesh } = await cavity(form)
    const { mapOnSection } = await import('./walls.ts')
    return mapOnSection(map, section(mesh, up, turn), turned)
  },
}
