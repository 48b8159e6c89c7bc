/**
 * A triangle mesh. `positions` holds x, y, z of every vertex in metres, `triangles` three
 * vertex numbers a face, counter-clockwise seen from outside. A freshly read file is a
 * "soup": every face has its own three vertices, numbered 0, 1, 2, 3 ...
 */
export interface Mesh {
  positions: Float32Array | Float64Array
  triangles: Uint32Array
}

export const triangleCount = (mesh: Mesh): number => mesh.triangles.length / 3

/** The mesh of corners that follow one another, three a face. */
export function soup(positions: Float32Array | Float64Array): Mesh {
  const triangles = new Uint32Array(positions.length / 3)
  for (let corner = 0; corner < triangles.length; corner++) triangles[corner] = corner
  return { positions, triangles }
}

/** The same mesh with every coordinate multiplied, in place: a file's unit to metres. */
export function scaleInPlace(mesh: Mesh, factor: number): Mesh {
  const { positions } = mesh
  for (let i = 0; i < positions.length; i++) positions[i] *= factor
  return mesh
}

/** The same mesh with inside and outside exchanged, in place. */
export function turnInPlace(mesh: Mesh): Mesh {
  const { triangles } = mesh
  for (let i = 0; i < triangles.length; i += 3) {
    const second = triangles[i + 1]
    triangles[i + 1] = triangles[i + 2]
    triangles[i + 2] = second
  }
  return mesh
}
