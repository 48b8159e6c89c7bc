import type { Material, MaterialKind } from '@mivro/core/matter/material'

/** What stands in a new sheet until the real one is read. */
const assumedOfTwoParts = [
  'ratio',
  'densityA',
  'densityB',
  'potLife',
  'demould',
  'mixTime',
  'sheetTemperature',
]

const starting: Record<MaterialKind, Material> = {
  resin: {
    kind: 'resin',
    name: 'New resin',
    class: 'coating epoxy',
    ratio: { by: 'volume', a: 2, b: 1 },
    densityA: 1140,
    densityB: 1020,
    potLife: 2700,
    potMass: 0.1,
    demould: 86400,
    mixTime: 240,
    sheetTemperature: 296.15,
    tintInto: 'A',
    nameA: 'Part A, resin',
    nameB: 'Part B, hardener',
    colour: '#f1e2b8',
    assumed: [...assumedOfTwoParts, 'potMass'],
    note: '',
  },
  silicone: {
    kind: 'silicone',
    name: 'New silicone',
    chemistry: 'platinum',
    ratio: { by: 'weight', a: 1, b: 1 },
    densityA: 1120,
    densityB: 1120,
    potLife: 2700,
    demould: 21600,
    mixTime: 240,
    hardness: 25,
    shrinkage: 0.001,
    clarity: 'translucent',
    sheetTemperature: 296.15,
    nameA: 'Part A',
    nameB: 'Part B',
    colour: '#cfe0df',
    assumed: [...assumedOfTwoParts, 'hardness', 'shrinkage'],
    note: '',
  },
  tint: {
    kind: 'tint',
    name: 'New tint',
    form: 'dye',
    colour: '#3f7fa0',
    density: 1100,
    limit: 0.005,
    assumed: ['density', 'limit'],
    note: '',
  },
  inclusion: { kind: 'inclusion', name: 'New charm', density: 8500, mass: 0.001, note: '' },
  recipe: {
    kind: 'recipe',
    name: 'New recipe',
    parts: [],
    colour: '#dfe3e0',
    depth: 0.01,
    note: '',
  },
}

/** A small shelf to begin with: typical sheets, none of them anybody's own. */
export const typicalMaterials: readonly Material[] = [
  { ...starting.resin, name: 'Typical coating epoxy 2:1', note: typicalNote() } as Material,
  {
    ...starting.resin,
    name: 'Typical deep-pour epoxy 3:1',
    class: 'deep epoxy',
    ratio: { by: 'volume', a: 3, b: 1 },
    potLife: 4 * 3600,
    potMass: 0.5,
    demould: 60 * 3600,
    maxDepth: 0.05,
    viscosity: 0.3,
    note: typicalNote(),
  } as Material,
  {
    ...starting.resin,
    name: 'Typical fast urethane 1:1',
    class: 'fast urethane',
    ratio: { by: 'weight', a: 1, b: 1 },
    densityA: 1100,
    densityB: 1000,
    potLife: 150,
    demould: 1800,
    mixTime: 30,
    viscosity: 0.1,
    tintInto: 'B',
    colour: '#f4f2ea',
    nameA: 'Part A, isocyanate',
    nameB: 'Part B, polyol',
    note: typicalNote(),
  } as Material,
  { ...starting.silicone, name: 'Typical platinum silicone 25A', note: typicalNote() } as Material,
  { ...starting.tint, name: 'Typical dye', note: typicalNote() } as Material,
]

function typicalNote(): string {
  return 'Typical values (common practice). Replace them by those of your own data sheet.'
}

/** A sheet to begin with; every number is to be checked against the real one. */
export const startingMaterial = (kind: MaterialKind): Material => starting[kind]
