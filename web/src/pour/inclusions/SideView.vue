<script setup lang="ts">
import type { Section } from '@mivro/core/form/filling'
import { movedOnCut, type Arranged, type PlanInclusion } from '@mivro/core/matter/inclusion'
import type { CompiledPlan } from '@mivro/core/work/plan'
import type { Frame } from '../../cutaway/frame.ts'
import Inclusions from '../../cutaway/Inclusions.vue'
import type { Mark } from '../../cutaway/marks.ts'
import SidedCut from '../../cutaway/SidedCut.vue'
import { useDrag } from '../../ui/useDrag.ts'
import type { ChosenThing } from './useSetThings.ts'

/** The cut with everything at the height where it rests; what is dragged rises and moves along the cut. */
const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  /** Of the cut about up, radians. */
  turn: number
  things: readonly (Arranged & { colour: string })[]
  selected?: string
  chosen?: ChosenThing
}>()
const emit = defineEmits<{
  select: [id: string]
  choose: [thing: ChosenThing]
  move: [layer: string, id: string, change: Partial<PlanInclusion>]
  moved: []
}>()

const isChosen = ({ kind, i }: Mark) =>
  props.things[kind]?.id === props.chosen?.id && props.chosen?.i === i

let held: { mark: Mark; thing: Arranged; perMetre: number; x: number; y: number } | undefined
const { down, move, up } = useDrag({
  move: ({ clientX, clientY }) => {
    if (!held) return
    const { mark, thing, perMetre, x, y } = held
    const layer = props.compiled.layers.find(({ id }) => id === thing.layer)!
    const by = { along: (clientX - x) / perMetre, rise: (y - clientY) / perMetre, turn: props.turn }
    emit('move', thing.layer, thing.id, movedOnCut(thing, mark.i, by, layer))
  },
  drop: () => emit('moved'),
})
function take({ scale }: Frame, mark: Mark, event: PointerEvent): void {
  const thing = props.things[mark.kind]
  held = { mark, thing, perMetre: scale, x: event.clientX, y: event.clientY }
  emit('select', thing.layer)
  emit('choose', { id: thing.id, i: mark.i })
  down(event)
}
</script>

<template>
  <SidedCut
    v-slot="{ frame }"
    :section="section"
    :compiled="compiled"
    :selected="selected"
    @select="emit('select', $event)"
  >
    <Inclusions
      :things="things"
      :frame="frame"
      :turn="turn"
      held
      :chosen="isChosen"
      @take="(mark, event) => take(frame, mark, event)"
      @drag="move"
      @drop="up"
    />
  </SidedCut>
</template>
