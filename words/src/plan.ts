import { metric, show, type UnitChoice } from '@mivro/core/base/units'
import type { Shelf } from '@mivro/core/matter/material'
import type { Plan } from '@mivro/core/work/plan'

/** A plan in short lines of words, so that two versions can be laid side by side. */
export function describePlan(plan: Plan, shelf: Shelf, choice: UnitChoice = metric): string[] {
  const name = (id?: string) =>
    id === undefined ? 'no resin' : (shelf.get(id)?.name ?? 'no longer among the materials')
  const layers = plan.layers.map((layer, index) => {
    const end =
      layer.fill.by === 'height'
        ? `up to ${show(layer.fill.top, 'length', choice)}`
        : layer.fill.by === 'volume'
          ? show(layer.fill.volume, 'volume', choice)
          : `a wall of ${show(layer.fill.wall, 'length', choice)} in ${layer.fill.shots} ${layer.fill.shots === 1 ? 'shot' : 'shots'}`
    const tint = layer.tints
      .map(({ material, fraction }) => `, ${name(material)} ${show(fraction, 'fraction', choice)}`)
      .join('')
    const set = layer.inclusions
      .map((inclusion) => `, ${inclusion.count} ${inclusion.name}`)
      .join('')
    return `${index + 1} ${layer.name}: ${end}, ${name(layer.resin)}${tint}${set}, ${layer.join} join`
  })
  return [
    `${plan.copies} ${plan.copies === 1 ? 'copy' : 'copies'}, ${plan.mould} mould, room ${show(plan.room, 'temperature', choice)}`,
    `gate ${show(plan.gate, 'volume', choice)}, reserve ${show(plan.reserve, 'fraction', choice)}, scale step ${show(plan.scaleStep, 'mass', choice, { step: plan.scaleStep })}`,
    ...layers,
    ...(plan.note ? [plan.note] : []),
  ]
}
