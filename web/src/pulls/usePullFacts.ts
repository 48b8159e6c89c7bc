import { computed } from 'vue'
import {
  addedSince,
  diagnose,
  flatnessOf,
  factsOf,
  pinPlace,
  thingsIn,
  repeatedOf,
  type Finding,
  type FaultSurroundings,
} from '@mivro/core/learn/diagnosis'
import { diagonalOf } from '@mivro/core/form/mesh'
import type { ShownPocket } from '@mivro/core/form/cells'
import type { Fault, Pin, Pull } from '@mivro/core/work/pull'
import { wearOf } from '@mivro/core/work/pull'
import { useArrangement } from '../project/useArrangement.ts'
import { useProject } from '../project/projectStore.ts'
import { useShelf } from '../project/shelfStore.ts'

/** A pocket as the causes ask for it. */
const asPocket = ({ top, volume, topHeight, saddle }: ShownPocket) => ({
  top,
  volume,
  flat: flatnessOf(volume, topHeight - saddle),
})

/** What of a pull is pointed at: a pin, or a fault that was only ticked. */
export interface Pointed {
  fault: Fault
  pin?: Pin
}

/** Everything that is known about the faults of a pull, put together for the causes. */
export function usePullFacts(pull: () => Pull) {
  const project = useProject()
  const shelf = useShelf()

  const { arrangement } = useArrangement(() =>
    project.piece && project.plan && project.compiled
      ? { form: project.piece.document.form, plan: project.plan, compiled: project.compiled }
      : undefined,
  )
  const surroundings = computed((): FaultSurroundings | undefined => {
    const { survey, plan, mould, air } = project
    if (!survey || !plan) return undefined
    const { curve, section, measures } = survey
    // The mould as it was then: what came later was put there because air stayed.
    const later = new Set(
      addedSince(
        project.pulls.map(({ document }) => document),
        pull(),
      ).map(({ id }) => id),
    )
    const vented = (mould?.openings ?? []).flatMap(({ id, at }) =>
      later.has(id) ? [{ top: at, volume: 0, flat: 1 }] : [],
    )
    return {
      up: plan.up,
      lowest: section.origin[2],
      height: curve.height,
      size: diagonalOf(measures),
      pockets: air && [...air.pockets.map(asPocket), ...vented],
      openings: (mould?.openings ?? []).filter(({ id }) => !later.has(id)),
      prefills: (mould?.prefills ?? []).filter(({ id }) => !later.has(id)),
      things: arrangement.value && thingsIn(arrangement.value.things, section),
    }
  })
  const worn = computed(() => {
    const { mould, mouldSession, pulls } = project
    if (!mould || !mouldSession) return undefined
    const wear = wearOf(
      mould,
      mouldSession.id,
      pulls.map(({ document }) => document),
    )
    return wear.life > 0 ? wear.pulls / wear.life : undefined
  })
  const factsFor = (copy?: number) =>
    factsOf(
      pull(),
      {
        plan: project.plan,
        compiled: project.compiled,
        shelf: shelf.materials,
        mould: project.mould,
        worn: worn.value,
      },
      copy,
    )
  const facts = computed(() => factsFor())
  const pointed = computed((): Pointed[] => {
    const { pins = [], faults } = pull()
    const pinned = new Set(pins.map(({ fault }) => fault))
    return [
      ...pins.map((pin) => ({ fault: pin.fault, pin })),
      ...faults.filter((fault) => !pinned.has(fault)).map((fault) => ({ fault })),
    ]
  })

  function findingOf({ fault, pin }: Pointed): Finding {
    const { pins = [], faults, told } = pull()
    const around = surroundings.value
    return {
      fault,
      beside: faults.filter((other) => other !== fault),
      place: pin && around ? pinPlace(pin, pins, around) : undefined,
      repeated: pin
        ? repeatedOf(
            pin,
            pull(),
            project.pulls.map(({ document }) => document),
          )
        : undefined,
      facts: pin?.copy === undefined ? facts.value : factsFor(pin.copy),
      told,
    }
  }
  const diagnosisOf = (one: Pointed) => diagnose(findingOf(one))

  return { pointed, facts, findingOf, diagnosisOf }
}
