import type { Resin, Tint } from './material.ts'

/** Two made-up sheets and a dye, for tests. */
export const slowEpoxy: Resin = {
  kind: 'resin',
  name: 'Clear slow epoxy 2:1',
  class: 'coating epoxy',
  ratio: { by: 'volume', a: 2, b: 1 },
  densityA: 1140,
  densityB: 1020,
  potLife: 45 * 60,
  potMass: 0.1,
  gelTime: 2 * 3600,
  recoatUntil: 3.5 * 3600,
  demould: 24 * 3600,
  mixTime: 240,
  maxDepth: 0.02,
  viscosity: 0.6,
  sheetTemperature: 296.15,
  tintInto: 'A',
  nameA: 'Part A, resin',
  nameB: 'Part B, hardener',
  colour: '#f3ead2',
  note: '',
}

export const whiteUrethane: Resin = {
  ...slowEpoxy,
  name: 'Fast white urethane 1:1',
  class: 'fast urethane',
  ratio: { by: 'weight', a: 1, b: 1 },
  densityA: 1100,
  densityB: 1000,
  potLife: 150,
  gelTime: undefined,
  recoatUntil: undefined,
  demould: 1800,
  mixTime: 30,
  maxDepth: undefined,
  tintInto: 'B',
  nameA: 'Part A, isocyanate',
  nameB: 'Part B, polyol',
}

export const violet: Tint = {
  kind: 'tint',
  name: 'Violet dye',
  form: 'dye',
  colour: '#6d3fa0',
  density: 1100,
  limit: 0.005,
  note: '',
}
