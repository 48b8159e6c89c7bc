import { metric, show, showDuration, type UnitChoice } from '../units/index.ts'
import { resinClasses, type Resin } from '../material/index.ts'
import { roomFactor } from './roomRule.ts'
import { sheetCure } from './sheetCure.ts'

/** Where the times of a layer come from, line by line, for whoever asks. */
export function explainCure(resin: Resin, room: number, choice: UnitChoice = metric): string[] {
  const factor = roomFactor(room, resin.sheetTemperature)
  const { basis } = sheetCure({ resin, room, mass: resin.potMass, depth: 0 })
  const sheetAt = show(resin.sheetTemperature, 'temperature', choice)
  const lines = [
    `The sheet of ${resin.name} gives ${showDuration(resin.potLife)} of pot life for ${show(resin.potMass, 'mass', choice)} at ${sheetAt}.`,
    `Times halve for every 10 °C warmer and double for every 10 °C colder (common practice). At ${show(room, 'temperature', choice)} they are × ${factor.toFixed(2)}.`,
    basis.gel === 'sheet'
      ? `Gel after ${showDuration(resin.gelTime!)}, by the sheet.`
      : `The sheet gives no gel time: taken as pot life × ${resinClasses[resin.class].gelPerPotLife} for ${resinClasses[resin.class].label} (common practice). Watch the witness cup.`,
    basis.join === 'sheet'
      ? `A next layer bonds until ${showDuration(resin.recoatUntil!)}, by the sheet.`
      : 'The sheet gives no recoat time: taken as gel × 1.5 (common practice).',
    `Demould after ${showDuration(resin.demould)}, by the sheet.`,
    'A bigger cup is faster and a thin film slower than the sheet: this clock does not know the mass yet.',
  ]
  return lines
}
