import type { Resin, ResinClass, Silicone, TintForm } from '@mivro/core/matter/material'

/** Kinds of resin, as a sentence names them. */
export const resinClassWords: Record<ResinClass, string> = {
  'deep epoxy': 'a deep-pour epoxy',
  'coating epoxy': 'a slow clear or coating epoxy',
  'fast urethane': 'a fast urethane',
  'clear urethane': 'a clear urethane',
  polyester: 'a polyester',
}

/** Kinds of tint, as a sentence names them. */
export const tintFormWords: Record<TintForm, string> = {
  dye: 'a dye',
  paste: 'a paste',
  mica: 'a mica',
  glitter: 'a glitter',
  glow: 'a glow powder',
  powder: 'a metal powder',
}

/** What a field of a sheet means at the bench, and what it decides. */
export interface FieldWords {
  says: string
  decides: string
}

/** Each field of a resin's sheet in the trade's words (common practice, no source). */
export const resinFieldWords: Partial<Record<keyof Resin, FieldWords>> = {
  ratio: {
    says: 'How much of part A goes with part B, by weight or by volume: never the one read as the other.',
    decides:
      'Off by more than a few percent it stays soft. More hardener does not make epoxy faster.',
  },
  potLife: {
    says: 'How long a cup of the stated mass can be worked before it has doubled in thickness.',
    decides:
      'Together with its mass it says how fast the reaction is, and so how much heat comes at once.',
  },
  potMass: {
    says: 'The mass that pot life was measured on. A bigger cup keeps its heat and is faster, a film slower.',
    decides: 'Ten minutes on 100 g is a slower resin than ten minutes on 500 g.',
  },
  potLifeMeans: {
    says: 'Sheets read pot life in three ways: in the cup as it warms, in a thin film at the stated temperature, or until it gels.',
    decides: 'The same number in a film means a much faster resin than in a cup.',
  },
  peak: {
    says: 'The hottest that mass gets in its cup.',
    decides:
      'It fixes how much heat the resin has in it, where the kind of resin alone is a guess.',
  },
  gelTime: {
    says: 'When it stops running altogether, usually in a film.',
    decides: 'Until then things sink or float; from then on a next layer no longer blends.',
  },
  recoatUntil: {
    says: 'The latest that a next layer bonds without sanding.',
    decides:
      'It ends the join window on the clock, wherever the layer cures faster or slower than the sheet.',
  },
  demould: {
    says: 'The earliest that a thin cast comes out without bending, at the stated temperature.',
    decides:
      'Against the pot life it says how the reaction runs out: fast at first and slow in the end, or through.',
  },
  mixTime: {
    says: 'How long stirring takes, both cups.',
    decides: 'It comes out of the pot life, and the clock begins to mix that much before the pour.',
  },
  sheetTemperature: {
    says: 'The temperature that all of its times were measured at.',
    decides: 'Ten degrees warmer about halves them.',
  },
  maxDepth: {
    says: 'The deepest that the maker allows in one pour.',
    decides: 'No advice here ever goes deeper, however cool the field finds it.',
  },
  viscosity: {
    says: 'How thick the fresh mix is: 0.1 Pa·s runs like oil, 1 like syrup, 5 hardly any more.',
    decides: 'Thin resin lets its bubbles go and creeps into detail; thick resin keeps both out.',
  },
  shrinkage: {
    says: 'How much shorter a cast is than its mould.',
    decides: 'A part that has to fit is made that much larger.',
  },
  densityA: {
    says: 'How heavy a millilitre of part A is.',
    decides: 'It turns a ratio by volume into grams on the scale.',
  },
  densityB: {
    says: 'How heavy a millilitre of part B is.',
    decides: 'It turns a ratio by volume into grams on the scale.',
  },
}

/** Each field of a silicone's sheet in the trade's words (common practice, no source). */
export const siliconeFieldWords: Partial<Record<keyof Silicone, FieldWords>> = {
  potLife: {
    says: 'How long it can be mixed, de-aired and poured. Never to be exceeded.',
    decides: 'Whether a batch gets through vacuum in time, and whether two batches still join.',
  },
  demould: {
    says: 'The earliest that the master comes out. Never earlier.',
    decides: 'The day the mould can be cut and used.',
  },
  viscosity: {
    says: 'How thick the fresh mix is. Over 15 Pa·s it keeps its air and wants vacuum.',
    decides: 'Whether it can be poured bare, in a thin high stream, or has to be pumped.',
  },
  hardness: {
    says: 'Shore A: 10 is soft as a gel insole, 30 firm as a rubber band, 40 stiff.',
    decides: 'Soft peels off deep undercuts, firm keeps its shape and its register.',
  },
  shrinkage: {
    says: 'How much smaller the mould is than its master.',
    decides: 'Tin shrinks more than platinum, and goes on for weeks.',
  },
  sheetTemperature: {
    says: 'The temperature that its times were measured at.',
    decides:
      'A hot room shortens the pot life; chilled silicone gives time, if no dew settles on it.',
  },
  kitMass: {
    says: 'What one kit holds, both parts.',
    decides: 'How many kits to open, and what is left of the last.',
  },
}
