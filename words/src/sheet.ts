import type { MouldStep, PourStep } from '@mivro/core/base/caution'
import { isFast, type Weighing } from '@mivro/core/matter/mix'
import type { Material } from '@mivro/core/matter/material'
import { conditioningOf, type Mould } from '@mivro/core/mould'
import type { Plan, SheetStep } from '@mivro/core/work/plan'
import type { RunStepName } from '@mivro/core/work/run'
import {
  show,
  showCup,
  showDuration,
  showTimeOfDay,
  type Fineness,
  type UnitChoice,
} from '@mivro/core/base/units'
import { conditionLabel, sayEvery } from './conditioning.ts'
import { saySettingIn } from './inclusion.ts'
import { saySkinAfter, saySkinBefore, saySkinFace } from './skin.ts'
import { brushing, sayTurning } from './turning.ts'

/** What safety lines are headed with, before a step of each sheet. */
export const beforePouring: Record<PourStep, string> = {
  weigh: 'Before you weigh',
  mix: 'Before you mix',
  pour: 'Before you pour',
  turn: 'Before you turn it',
  set: 'Before you set things in',
  demould: 'Before you demould',
}
export const beforeMaking: Record<MouldStep, string> = {
  prepare: 'Before this',
  build: 'Before you build',
  silicone: 'Before you mix silicone',
  vacuum: 'Before you pump',
  pressure: 'Before pressure goes on',
  open: 'Before you cut',
}
export const beforeInRun: Record<RunStepName, string> = {
  'lay out': '',
  condition: 'Before you condition the moulds',
  close: '',
  weigh: 'Before you weigh',
  mix: 'Before you mix',
  vacuum: 'Before you pump',
  face: 'Before you stir it in',
  prefill: 'Before you pour',
  fill: 'Before you pour',
  turn: 'Before you turn',
  set: '',
  'into pot': '',
  pressure: 'Before you close the pot',
  clean: 'Before you clean',
  demould: 'Before you demould',
}

/** How the mould wants to be made ready, from its record; `warmth` is what it is warmed to, K. */
export function sayMouldReady(mould: Mould, warmth: number | undefined, units: UnitChoice): string {
  const { bands, release, dust } = mould.liking
  const said = [
    `${mould.name}: ${bands > 0 ? `${bands} bands` : 'no bands'}`,
    release === 'none' ? 'no release' : `${release} as release`,
    dust === 'none' ? '' : `dusted with ${dust}`,
    warmth === undefined ? '' : `warmed to ${show(warmth, 'temperature', units)}`,
    mould.prefills.length > 0 ? `${mould.prefills.length} prefilled first` : '',
  ]
  const before = conditioningOf(mould).map(
    (line) => `${conditionLabel(line).toLowerCase()} (${sayEvery(line)})`,
  )
  const words = [
    `${said.filter(Boolean).join(', ')}.`,
    before.length > 0 ? `Before it is poured: ${before.join(', ')}.` : '',
  ]
    .filter(Boolean)
    .join(' ')
  return mould.nextTime ? `${words} ${mould.nextTime}` : words
}

/** How a layer is poured onto the one below it. */
const onto = {
  crisp: 'onto the tacky gel',
  soft: 'onto the syrup',
  bled: 'while the layer below still runs',
  late: 'once it is scuffed and wiped',
}

/** A step of a pour, at its moments: by the clock where a time to begin is set. */
export function saySheetStep(
  { step, layer, at = 0, out, set }: SheetStep,
  plan: Plan,
  fine: Fineness,
  units: UnitChoice,
): string {
  const time = (seconds: number) => showDuration(seconds, fine)
  const moment = (seconds: number) => {
    const words = seconds < 1 ? 'at the start' : `${time(seconds)} after the first mix`
    const { begin } = plan
    return begin === undefined ? words : `${showTimeOfDay(begin + seconds, units, fine)}, ${words}`
  }
  if (step === 'demould') {
    const gates = out?.gated ? ', its gates to saw and sand' : ''
    const takes = out?.rubbery
      ? `Take it out while it is rubbery, from ${moment(at)}: cut the gates with a blade, then put it back or lay it flat until it is hard, ${moment(out.hardAt)}.`
      : `Take it out of the mould from ${moment(at)}${gates}.`
    const burnished = plan.layers.some(({ fill }) => fill.by === 'shell' && fill.skin)
    if (burnished) return `${takes} ${saySkinAfter}`
    return `${takes} The witness cup runs ahead of thin and hollow parts: keep one as thick as the thinnest part, or wait half as long again.`
  }
  if (step === 'set') {
    const { inclusions } = plan.layers[layer!.index]
    const things = set!.inclusions.map(
      (i) => `${inclusions[i].name}, ${inclusions[i].count} in each copy`,
    )
    const { how, until } = set!.when
    return `${saySettingIn(how, things)} From ${moment(at)} until ${moment(until)}.`
  }
  const { clock, weighing, depth, top } = layer!
  const { cups, cupSize } = weighing!
  if (step === 'mix') {
    const first =
      cups === 1
        ? `Mix: ${moment(at)}.`
        : layer!.shell
          ? `Mix the first of ${cups} shots: ${moment(at)}; each next one when the one before has gelled.`
          : `Mix the first of ${cups} cups: ${moment(at)}; each next one when the one before is poured, ${time(clock!.pourAt - clock!.mixAt)} for each.`
    const pours = `${cups === 1 ? 'It' : 'Each'} pours for ${time(clock!.cupUntil - clock!.mixAt)}.`
    const second = isFast(layer!.batch!.resin) ? '' : ', then into a second clean cup'
    return `${first} Scrape sides and bottom${second}. ${pours}`
  }
  const { skin } = layer!
  if (step === 'turn') return sayTurning(layer!, time, units)
  if (step === 'pour') {
    const where = layer!.index > 0 ? `, ${onto[clock!.meets ?? layer!.join]}` : ''
    const last = cups > 1 ? `, the last cup ${moment(clock!.lastPourAt)}` : ''
    const shot = layer!.shell
      ? `A wall of ${show(depth, 'length', units)}, ${show(layer!.resin / layer!.shell.fill.shots, 'volume', units)} for each shot of one copy. W${brushing.slice(1)}, pour, and plug the port.`
      : undefined
    const face = skin ? saySkinFace(skin, units) : undefined
    if (shot) return [`Pour: ${moment(at)}${where}${last}.`, face, shot].filter(Boolean).join(' ')
    return `Pour: ${moment(at)}${where}${last}. ${show(depth, 'length', units)} deep, up to ${show(top, 'length', units)}, ${show(layer!.resin, 'volume', units)} in each copy.`
  }
  const into = cups === 1 ? 'Weigh into a cup' : `Weigh this into each of ${cups} cups`
  const dusted = skin ? `${saySkinBefore(skin, units)} ` : ''
  return `${dusted}${into} of ${showCup(cupSize, units)}${sayBetween(weighing!)}.`
}

/** How a cup is stirred: a fast resin leaves no time for a second one; silicone always has it. */
export const sayStirring = (material: Material | undefined): string =>
  material?.kind === 'resin' && isFast(material)
    ? 'Scrape sides and bottom. What clings to the cup has not met its other part: leave it in it.'
    : 'Scrape sides and bottom, then pour all of it into a second clean cup and stir again: what clings to the first cup has not met its other part.'

/** How the parts of a cup follow one another on the scale, after what they are weighed for. */
export const sayBetween = (weighing: Weighing): string =>
  weighing.apart ? `: ${sayApart(weighing)}` : ', part by part, without taring between'

/** That the last part has a cup of its own. */
export const sayApart = ({ steps }: Pick<Weighing, 'steps'>): string =>
  `${steps.at(-1)!.name} goes into a cup of its own, tared, so that the parts meet only when they are mixed`
