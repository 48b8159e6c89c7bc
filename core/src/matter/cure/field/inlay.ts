import type { Solid } from '../kinetics/index.ts'

/** What lies in a field's cells besides resin: by cell its share of the volume, and what it is. */
export interface Inlay {
  share: Float32Array
  /** Of what lies there, J/(m³·K). */
  heldHeat: Float32Array
  /** Of what lies there, W/(m·K). */
  conductivity: Float32Array
}

/**
 * Resin with something in it as one body: heat capacities by volumes, conductivity as of grains in
 * a matrix (Maxwell 1873). A cell that holds nothing else is what lies in it.
 *
 * @example inlaid({ density: 1000, heatCapacity: 2000, conductivity: 0.2 }, 0.3, 4e6, 50).conductivity.toFixed(3) // '0.453'
 */
export function inlaid(resin: Solid, share: number, heldHeat: number, conductivity: number): Solid {
  const held = (1 - share) * resin.density * resin.heatCapacity + share * heldHeat
  const k = resin.conductivity
  const both = conductivity + 2 * k
  const more = conductivity - k
  return {
    // Only their product is asked.
    density: 1,
    heatCapacity: held,
    conductivity: (k * (both + 2 * share * more)) / (both - share * more),
  }
}
