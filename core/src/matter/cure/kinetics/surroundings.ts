/** What a body holds and conducts: W/(m·K), kg/m³, J/(kg·K). */
export interface Solid {
  conductivity: number
  density: number
  heatCapacity: number
}

/** Cured mould silicone (from memory). */
export const siliconeBody: Solid = { conductivity: 0.2, density: 1150, heatCapacity: 1400 }

/** A free face in still air, and one that lies on a bench, W/(m²·K) (from memory). */
export const faceLoss = { air: 10, bench: 5 } as const
