import { z } from '../../base/schema/index.ts'
import { quantity } from '../../base/document/index.ts'

const time = () => quantity('duration', 0, 1800)

/** How long hands take at the bench, s; stirring is the resin's own mixing time. */
export const handsSchema = z.object({
  /** A syringe drawn up. */
  drawUp: time(),
  /** A dab in one tight spot. */
  prefill: time(),
  /** One cavity filled, where the gate does not hold it up. */
  fill: time(),
  /** Rocked and tapped. */
  rock: time(),
  /** Boards and bands. */
  band: time(),
  intoPot: time(),
  /** Opened and cleared for the next pull. */
  turnover: time(),
})
export type Hands = z.infer<typeof handsSchema>

/** What a practised pair of hands takes (from memory); learned from one's own runs. */
export const usualHands: Hands = {
  drawUp: 10,
  prefill: 10,
  fill: 20,
  rock: 10,
  band: 10,
  intoPot: 12,
  turnover: 300,
}
