import { potMassOf, resinClasses, type Resin } from '@mivro/core/matter/material'
import {
  hasOwnDemould,
  roomFactor,
  sheetCure,
  type Batch,
  type Learned,
} from '@mivro/core/matter/cure'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/base/units'
import { resinClassWords } from './material.ts'

/** Where the times of a layer come from, line by line, while only its sheet is known. */
export function explainSheet(resin: Resin, room: number, choice: UnitChoice = metric): string[] {
  const factor = roomFactor(room, resin.sheetTemperature)
  const mass = potMassOf(resin)
  const { basis } = sheetCure({ resin, room, mass, depth: 0 })
  return [
    sheetLine(resin, choice),
    `Times halve for every 10 °C warmer and double for every 10 °C colder (common practice). At ${show(room, 'temperature', choice)} they are × ${factor.toFixed(2)}.`,
    basis.gel === 'sheet'
      ? `Gel after ${showDuration(resin.gelTime!)}, by the sheet.`
      : `The sheet gives no gel time: taken as pot life × ${resinClasses[resin.class].gelPerPotLife} for ${resinClassWords[resin.class]} (common practice). Watch the witness cup.`,
    basis.join === 'sheet'
      ? `Recoat window until ${showDuration(resin.recoatUntil!)}, by the sheet.`
      : 'The sheet gives no recoat time: taken as gel × 1.5 (common practice).',
    `Demould after ${showDuration(resin.demould)}, by the sheet.`,
  ]
}

/** Where the times of a layer come from, line by line, by the model of the cure. */
export function explainCure(
  { law, seen, factor, factorBand, energy }: Learned,
  { resin, room, mass, depth, lie = 1, inCup = resin.mixTime }: Batch,
  choice: UnitChoice = metric,
): string[] {
  const { kinetics, thermal, rheology, demould } = law
  const percent = (alpha: number) => `${Math.round(alpha * 100)} %`
  const lines = [
    sheetLine(resin, choice),
    `Here ${show(mass, 'mass', choice)} stand in the cup for ${showDuration(inCup)} at ${show(room, 'temperature', choice)}, then lie ${show(depth * lie, 'length', choice)} deep. A bigger cup and a deeper layer keep their heat and are faster.`,
    `The reaction is fitted to the sheet's pot life and demould time (Kamal and Sourour 1973): k1 ${kinetics.k1.toExponential(2)}, k2 ${kinetics.k2.toExponential(2)} 1/s at 23 °C, ${(kinetics.energy / 1000).toFixed(0)} kJ/mol, ${(thermal.heat / 1000).toFixed(0)} kJ/kg${kinetics.tail === undefined ? '' : `, slow from ${percent(kinetics.tail)} on`}.`,
    hasOwnDemould(resin)
      ? `It gels at ${percent(rheology.gel)} of the cure and comes out at ${percent(demould)}, by the demoulds you saw.`
      : `It gels at ${percent(rheology.gel)} of the cure (usual for ${resinClassWords[resin.class]}, from memory). It comes out by its sheet, ${showDuration(resin.demould)} at ${show(resin.sheetTemperature, 'temperature', choice)}, twice as long for every 10 °C colder, until a demould of your own was noted.`,
  ]
  if (resin.recoatUntil !== undefined) {
    lines.push(`The join window ends where the sheet's ${showDuration(resin.recoatUntil)} end.`)
  }
  if (seen.length > 0) {
    const moved =
      Math.abs(factor - 1) < 0.02
        ? 'they agree with the sheet'
        : `the sheet's pot takes × ${factor.toFixed(2)}, eight times in ten between × ${factorBand.map((end) => end.toFixed(2)).join(' and ')}`
    lines.push(
      `Learned from ${seen.length} of your own: ${moved}; activation energy ${(energy.sheet / 1000).toFixed(0)} to ${(energy.learned / 1000).toFixed(0)} kJ/mol.`,
    )
  }
  lines.push('An estimate: gel and pot life to about 15 %, a rise in temperature to −25 and +30 %.')
  return lines
}

const sheetLine = (resin: Resin, choice: UnitChoice): string =>
  `The sheet of ${resin.name} gives ${showDuration(resin.potLife)} of pot life for ${show(potMassOf(resin), 'mass', choice)}${resin.potMass === undefined ? ' (assumed: it names none)' : ''} at ${show(resin.sheetTemperature, 'temperature', choice)}.`

/**
 * From how warm to how warm, K; nothing for what is shown as one degree.
 *
 * @example sayHeatBand({ low: 301.15, high: 306.15 }, metric) // '28 °C to 33 °C'
 */
export function sayHeatBand(
  { low, high }: { low: number; high: number },
  units: UnitChoice,
): string {
  const [from, to] = [low, high].map((kelvin) => show(kelvin, 'temperature', units))
  return from === to ? '' : `${from} to ${to}`
}
