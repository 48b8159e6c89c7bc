import { newMould, type Mould } from '@mivro/core/mould'
import { gatePlace } from './astronomer.ts'

const mm = 1e-3

const made = (
  name: string,
  piece: string,
  up: [number, number, number],
  longest: number,
  more: Partial<Omit<Mould, 'box'>> & { box?: Partial<Mould['box']> },
): Mould => {
  const mould = newMould(name, piece, up, longest * mm)
  return { ...mould, ...more, box: { ...mould.box, ...more.box } }
}

const { wish, contact, liking } = newMould('', 'p', [0, 0, 1], 0.05)

/** Where air stays in the astronomer, foot up: under the rim of the foot, the coat's hem, the telescope. */
const vents: [number, number, number][] = [
  [-9.4 * mm, -17.6 * mm, 6 * mm],
  [25.2 * mm, -8.6 * mm, 20 * mm],
]
const underTelescope: [number, number, number] = [-14.5 * mm, 4.2 * mm, 51.1 * mm]

/** The moulds of the demo studio. All made up. */
export const moulds: Record<string, Mould> = {
  'demo-crater-mould': made('Crater keycaps, two-part', 'demo-crater-keycap', [0, 0, 1], 18, {
    kind: 'two-part',
    cavities: 2,
    count: 4,
    silicone: 'demo-firm-platinum',
    box: { side: 6 * mm, over: 8 * mm, under: 8 * mm },
    openings: [{ id: 'gate', what: 'gate', at: [0, 0, 8.4 * mm], bore: 4 * mm, made: 'cast in' }],
    pressure: 2.8e5,
    wish: { ...wish, copies: 100 },
    liking: { ...liking, bands: 3, dust: 'talc' },
    before: [
      { what: 'look over', every: 1, hands: 10 },
      { what: 'wipe', every: 1, hands: 15 },
      { what: 'powder', every: 3, hands: 20 },
    ],
  }),
  'demo-astronomer-solid-mould': made(
    'Astronomer for solid casts',
    'demo-astronomer-solid',
    [0, 0, -1],
    94,
    {
      kind: 'cut block',
      count: 1,
      silicone: 'demo-firm-platinum',
      masterUp: [0, 0, -1],
      box: { shape: 'outline', side: 10 * mm, over: 12 * mm, under: 12 * mm },
      masterMass: 0.049,
      openings: [
        { id: 'gate', what: 'gate', at: gatePlace, bore: 8 * mm, made: 'cast in' },
        ...vents.map((at, i) => ({
          id: ['vent-foot', 'vent-hem'][i],
          what: 'vent' as const,
          at,
          bore: 1.5 * mm,
          made: 'cut later' as const,
        })),
      ],
      prefills: [{ id: 'telescope', at: underTelescope }],
      pressure: 2.8e5,
      wish: { ...wish, copies: 12, seam: 'hidden' },
      liking: { ...liking, bands: 8 },
    },
  ),
  'demo-astronomer-mould': made('Astronomer, cut block', 'demo-astronomer', [0, 0, -1], 94, {
    kind: 'cut block',
    count: 2,
    silicone: 'demo-clear-platinum',
    masterUp: [0, 0, -1],
    box: { shape: 'outline', side: 10 * mm, over: 12 * mm, under: 12 * mm },
    masterMass: 0.049,
    openings: [{ id: 'gate', what: 'gate', at: gatePlace, bore: 8 * mm, made: 'cast in' }],
    contact: {
      ...contact,
      master: {
        substance: 'resin print',
        finish: 'acrylic coat',
        release: 'none',
        damp: 'dry',
        cured: 'baked',
      },
      others: [{ substance: 'sulphur-free clay', finish: 'none', release: 'none', damp: 'dry' }],
    },
    wish: { ...wish, copies: 6, seam: 'hidden', seeThrough: 'yes' },
  }),
  'demo-drop-mould': made('Drop two-part', 'demo-comet-drop', [0, 0, 1], 52, {
    kind: 'two-part',
    cavities: 2,
    count: 3,
    silicone: 'demo-firm-platinum',
    openings: [{ id: 'gate', what: 'gate', at: [0, 0, 52 * mm], bore: 6 * mm, made: 'cast in' }],
    wish: { ...wish, copies: 24 },
    liking: { ...liking, bands: 6, keys: 'four round, by marbles' },
    nextTime: 'Prefill the tip with a toothpick; two more bands.',
  }),
  'demo-coaster-mould': made('Round coaster, bought', 'demo-coaster', [0, 0, 1], 100, {
    kind: 'bought',
    count: 6,
    liking: { ...liking, bands: 0 },
    note: 'Holds 62.8 g of water to the rim.',
  }),
  'demo-orrery-mould': made('Orrery block', 'demo-orrery', [0, 0, -1], 100, {
    kind: 'open block',
    silicone: 'demo-soft-tin',
    tub: 0.2,
    onHand: 0.3,
    liking: { ...liking, release: 'wax' },
  }),
}
