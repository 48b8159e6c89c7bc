import type { Material } from '@mivro/core/matter/material'
import type { Kind } from '@mivro/core/base/units'

/** A quantity of a sheet, as a person types it. */
export interface SheetEntry {
  key: string
  label: string
  kind: Kind
  optional?: string
  step?: number
}
/** What any two parts that cure are asked. */
const endOfCure: SheetEntry[] = [
  { key: 'demould', label: 'Demould time', kind: 'duration' },
  { key: 'mixTime', label: 'Mixing takes', kind: 'duration' },
  { key: 'sheetTemperature', label: 'Data-sheet temperature', kind: 'temperature' },
]
const bodyOfTwoParts: SheetEntry[] = [
  { key: 'densityA', label: 'Density of part A', kind: 'density' },
  { key: 'densityB', label: 'Density of part B', kind: 'density' },
  {
    key: 'viscosity',
    label: 'Viscosity of the mix',
    kind: 'viscosity',
    optional: 'not stated',
  },
]

/** The quantities of each kind of sheet, in groups. */
export const sheetEntries: Record<Material['kind'], { title: string; entries: SheetEntry[] }[]> = {
  resin: [
    {
      title: 'Time',
      entries: [
        { key: 'potLife', label: 'Pot life', kind: 'duration' },
        {
          key: 'potMass',
          label: 'Tested amount',
          kind: 'mass',
          step: 1e-3,
          optional: '100 g, assumed',
        },
        {
          key: 'peak',
          label: 'Peak exotherm in that cup',
          kind: 'temperature',
          optional: 'typical',
        },
        { key: 'gelTime', label: 'Gel time', kind: 'duration', optional: 'estimated' },
        {
          key: 'recoatUntil',
          label: 'Recoat window until',
          kind: 'duration',
          optional: 'estimated',
        },
        ...endOfCure,
      ],
    },
    {
      title: 'Physical properties',
      entries: [
        ...bodyOfTwoParts,
        { key: 'maxDepth', label: 'Deepest single pour', kind: 'length', optional: 'not stated' },
        {
          key: 'shrinkage',
          label: 'Shrinks on curing',
          kind: 'fraction',
          optional: 'not stated',
        },
      ],
    },
  ],
  silicone: [
    {
      title: 'Time',
      entries: [{ key: 'potLife', label: 'Pot life', kind: 'duration' }, ...endOfCure],
    },
    {
      title: 'Physical properties',
      entries: [
        ...bodyOfTwoParts,
        { key: 'shrinkage', label: 'Shrinks on curing', kind: 'fraction' },
        {
          key: 'kitMass',
          label: 'One kit holds',
          kind: 'mass',
          step: 1e-2,
          optional: 'not stated',
        },
      ],
    },
  ],
  tint: [
    {
      title: 'Physical properties',
      entries: [
        { key: 'limit', label: "Maximum, of the resin's weight", kind: 'fraction' },
        { key: 'density', label: 'Density', kind: 'density' },
        { key: 'hides', label: 'Covers from a depth of', kind: 'length', optional: 'typical' },
        {
          key: 'flake',
          label: 'Width of a flake',
          kind: 'length',
          step: 1e-6,
          optional: 'typical',
        },
        {
          key: 'tip',
          label: 'A toothpick takes up',
          kind: 'mass',
          step: 1e-7,
          optional: 'typical',
        },
      ],
    },
  ],
  recipe: [
    {
      title: 'Seen',
      entries: [{ key: 'depth', label: 'Depth it is seen at', kind: 'length' }],
    },
  ],
  inclusion: [
    {
      title: 'Physical properties',
      entries: [
        { key: 'mass', label: 'Weight of one', kind: 'mass', step: 1e-5 },
        { key: 'density', label: 'Density', kind: 'density' },
        { key: 'thickness', label: 'Thickness', kind: 'length', optional: 'not stated' },
      ],
    },
  ],
}
