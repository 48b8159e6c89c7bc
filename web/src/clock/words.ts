import type { CompiledLayer, Meeting } from '@mivro/core/plan'
import { showDuration } from '@mivro/core/units'

/** How a layer meets the one below, and what that costs. */
export const meetingWords: Record<Meeting, { on: string; costs: string }> = {
  crisp: { on: 'on the gel', costs: 'a clean line that bonds without sanding' },
  soft: { on: 'on the syrup', costs: 'the two blend a little' },
  bled: { on: 'while it runs', costs: 'the two run together' },
  late: { on: 'too late to bond', costs: 'scuff and wipe it first, a line may show' },
}

/** A layer's ripening in one sentence, for whoever does not see the bands. */
export function ripeningSentence({ name, clock }: CompiledLayer): string {
  const c = clock!
  return `${name}: mixed at ${showDuration(c.mixAt)}, poured at ${showDuration(c.pourAt)}, its cup pours until ${showDuration(c.cupUntil)}, gels at ${showDuration(c.gelAt)}, a next layer joins until ${showDuration(c.joinUntil)}, gates trim easily from ${showDuration(c.trimAt)}, out of the mould from ${showDuration(c.demouldAt)}.`
}
