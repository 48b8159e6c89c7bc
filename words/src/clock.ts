import type { CompiledLayer, Meeting } from '@mivro/core/work/plan'
import { showDuration, type Fineness } from '@mivro/core/base/units'

/** How a layer meets the one below, and what that costs. */
export const meetingWords: Record<Meeting, { on: string; costs: string }> = {
  crisp: { on: 'on the gel', costs: 'a clean line that bonds without sanding' },
  soft: { on: 'on the syrup', costs: 'the two blend a little' },
  bled: { on: 'while it runs', costs: 'the two run together' },
  late: { on: 'too late to bond', costs: 'scuff and wipe it first, a line may show' },
}

/** The same in a few words, on the label of a layer. */
export const joinWords: Record<Meeting, string> = {
  crisp: 'crisp join below',
  soft: 'soft join below',
  bled: 'bled into the one below',
  late: 'too late to bond: scuff it',
}

/** A layer's ripening in one sentence, for whoever does not see the bands. */
export function ripeningSentence({ name, clock }: CompiledLayer, to?: Fineness): string {
  const c = clock!
  const time = (seconds: number) => showDuration(seconds, to)
  const trims = c.trimAt === undefined ? '' : `, gates trim easily from ${time(c.trimAt)}`
  return `${name}: mixed at ${time(c.mixAt)}, poured at ${time(c.pourAt)}, its cup pours until ${time(c.cupUntil)}, gels at ${time(c.gelAt)}, a next layer joins until ${time(c.joinUntil)}${trims}, out of the mould from ${time(c.demouldAt)}.`
}
