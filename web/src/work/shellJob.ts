import manifoldModule from 'manifold-3d'
import wasmUrl from 'manifold-3d/manifold.wasm?url'
import type { Form } from '@mivro/core/piece'
import { printShell, type MouldOpening } from '@mivro/core/mould'
import { writeStl, type Cavity, type Vec3 } from '@mivro/core/shape'

export interface ShellQuestion {
  form: Form
  up: Vec3
  openings: readonly Pick<MouldOpening, 'what' | 'at' | 'bore'>[]
  layer: number
  wall: number
}

export interface ShellAnswer {
  lower: Uint8Array
  upper: Uint8Array
  cavity: number
  silicone: number
}

/** The two halves of a printed shell as STL files in millimetres. */
export async function makeShell(
  { form, up, openings, layer, wall }: ShellQuestion,
  cavities: (form: Form) => Promise<Cavity>,
): Promise<ShellAnswer> {
  const kernel = await manifoldModule({ locateFile: () => wasmUrl })
  kernel.setup()
  const { mesh, measures } = await cavities(form)
  const shell = printShell(kernel, mesh, measures.volume, up, openings, { layer, wall })
  return {
    lower: writeStl(shell.lower),
    upper: writeStl(shell.upper),
    cavity: shell.cavity,
    silicone: shell.silicone,
  }
}
