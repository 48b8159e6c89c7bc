/** How a cast can come out other than wished; the usual causes stand in the words. */
export const faultNames = [
  'fine bubbles',
  'void at a tip',
  'pocket near the gate',
  'ragged edge',
  'pimples',
  'soft or tacky',
  'soft streaks',
  'bent',
  'foam',
  'cracks or yellowing',
  'line between layers',
  'cloud between layers',
  'inclusion sank',
  'halo around an inclusion',
  'seam step or flash',
  'row of voids',
  'deformed corner',
  'off colour',
  'does not fit',
] as const
export type Fault = (typeof faultNames)[number]

/** What can be changed about a fault, in the plan, the mould or the run. */
export const changeNames = [
  'vent here',
  'prefill here',
  'tilt',
  'turn over',
  'fewer moulds a mix',
  'under pressure',
  'second pair of hands',
  'vacuum',
  'finer scale',
  'less tint',
  'more tint',
  'warmer room',
  'more bands',
  'mould again',
  'later pour',
  'by hand',
] as const
export type ChangeName = (typeof changeNames)[number]
