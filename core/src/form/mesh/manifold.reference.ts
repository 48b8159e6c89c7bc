import manifoldModule, { type ManifoldToplevel } from 'manifold-3d'
import type { Mesh } from './mesh.ts'

/** Reference library for tests: manifold-3d 3.5.4, solids with guaranteed topology. */
export async function referenceKernel() {
  const kernel: ManifoldToplevel = await manifoldModule()
  kernel.setup()
  type Solid = InstanceType<ManifoldToplevel['Manifold']>
  const mm = 1e-3
  return {
    kernel,
    solidOf: (mesh: Mesh): Solid =>
      new kernel.Manifold(
        new kernel.Mesh({
          numProp: 3,
          vertProperties: Float32Array.from(mesh.positions),
          triVerts: mesh.triangles,
        }),
      ),
    /** Of a solid in millimetres: a mesh in metres. */
    meshOf: (solid: Solid, scale = mm): Mesh => {
      const { vertProperties, triVerts } = solid.getMesh()
      return { positions: Float64Array.from(vertProperties, (x) => x * scale), triangles: triVerts }
    },
    /** A box from one corner to the other, mm. */
    box: (from: readonly number[], to: readonly number[]): Solid =>
      kernel.Manifold.cube([to[0] - from[0], to[1] - from[1], to[2] - from[2]]).translate([
        from[0],
        from[1],
        from[2],
      ]),
  }
}
export type ReferenceKernel = Awaited<ReturnType<typeof referenceKernel>>

/** The stool of the check table: seat 32 x 32 x 4 mm on four legs of 4 x 4 x 20 mm. */
export function stool({ kernel, box, meshOf }: ReferenceKernel): Mesh {
  const legs = [2, 26].flatMap((x) => [2, 26].map((y) => box([x, y, 0], [x + 4, y + 4, 20])))
  return meshOf(kernel.Manifold.union([box([0, 0, 20], [32, 32, 24]), ...legs]))
}
