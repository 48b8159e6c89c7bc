import {
  converter,
  differenceCiede2000,
  formatHex,
  modeLab65,
  modeLrgb,
  modeRgb,
  parse,
  useMode,
} from 'culori/fn'

/* Only the spaces that are used: the rest of the library stays out of the page. */
for (const mode of [modeRgb, modeLrgb, modeLab65]) useMode(mode as never)

export { converter, differenceCiede2000, formatHex, parse }
export type { Lab65, Lrgb as LinearRgb } from 'culori/fn'
