import { computed } from 'vue'
import { isHollow, turnedWall, type CompiledLayer } from '@mivro/core/work/plan'
import { steady, useLatest } from '../project/useLatest.ts'
import { useProject } from '../project/projectStore.ts'
import { askDepthsOnCut, askMapOnCut, askNarrow, askWallMap } from '../work/pool.ts'

/** Ways of holding the mould that a first picture is made of. */
const firstWays = 24

/**
 * What is asked about the open piece as it lies, while something of it is cast hollow and looked at; how
 * evenly the wall of a layer comes out, where that is asked.
 */
export function useHollow(looked: () => boolean, mapped: () => CompiledLayer | undefined) {
  const project = useProject()
  const lying = () => {
    const { piece, plan } = project
    if (!looked() || !piece || !plan || !isHollow(plan)) return undefined
    return { form: piece.document.form, up: plan.up }
  }
  const wall = computed(() =>
    Math.max(0, ...(project.compiled?.layers ?? []).map(({ shell }) => shell?.to ?? 0)),
  )
  const cut = steady(() => {
    const found = lying()
    const mouth = project.compiled?.into.mould === 'open'
    return found && { ...found, turn: project.turn, mouth }
  })
  const places = steady(() => {
    const found = lying()
    return found && wall.value > 0 ? { ...found, wall: wall.value } : undefined
  })
  const map = steady(() => {
    const found = lying()
    const layer = mapped()
    const turned = layer && turnedWall(layer, project.compiled!.into)
    return found && turned ? { ...found, turned } : undefined
  })
  const rough = computed(() => map.value && { ...map.value, ways: firstWays })
  const first = useLatest(() => rough.value, askWallMap)
  const walls = useLatest(() => map.value, askWallMap)
  const made = computed(() => (walls.busy.value ? undefined : walls.answer.value))
  const mapCut = computed(
    () =>
      map.value &&
      cut.value &&
      made.value && { ...cut.value, turned: map.value.turned, map: made.value },
  )
  const onCut = useLatest(() => mapCut.value, askMapOnCut)
  const depths = useLatest(() => cut.value, askDepthsOnCut)
  const narrow = useLatest(() => places.value, askNarrow)
  return {
    /** How deep the cut lies under the walls. */
    depths: computed(() => (cut.value ? depths.answer.value : undefined)),
    /** Places that the walls fill, and those that a brush goes to first. */
    narrow: computed(() => (places.value ? narrow.answer.value : undefined)),
    /** How evenly its wall comes out. */
    map: computed(() => (map.value ? made.value : undefined)),
    /** A first picture of that, until it is there. */
    roughMap: computed(() => (map.value && walls.busy.value ? first.answer.value : undefined)),
    mapOnCut: computed(() => (mapCut.value ? onCut.answer.value : undefined)),
  }
}
