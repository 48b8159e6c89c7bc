import {
  BoxGeometry,
  BufferAttribute,
  BufferGeometry,
  CylinderGeometry,
  DoubleSide,
  Group,
  InstancedMesh,
  Line,
  LineBasicMaterial,
  Matrix4,
  Mesh,
  MeshStandardMaterial,
  SphereGeometry,
  Vector3,
  type Sphere,
} from 'three'
import type { PartingSheet } from '@mivro/core/mould'
import type { Axes, Vec3 } from '@mivro/core/form/mesh'
import { scale } from '../../solid/stage.ts'
import { token } from '../../theme/token.ts'

/** Where two halves meet, and the middles of cells of silicone that are locked there, m. */
export interface DrawnHalves {
  sheet: PartingSheet
  locked: Float32Array
  cell: readonly number[]
  axes: Axes
  /** Middles of keys in the piece's axes, and their widths, m. */
  keys: readonly { at: Vec3; width: number }[]
}

/** What is drawn of two halves around a piece, in its own axes, in millimetres. */
export function halvesLayer() {
  const sheetSkin = new MeshStandardMaterial({
    color: token('teal-mid'),
    roughness: 0.7,
    transparent: true,
    opacity: 0.5,
    side: DoubleSide,
    depthWrite: false,
  })
  const contourLine = new LineBasicMaterial({ color: token('teal') })
  const keySkin = new MeshStandardMaterial({ color: token('honey'), roughness: 0.6 })
  const lockedSkin = new MeshStandardMaterial({
    color: token('stop'),
    roughness: 0.6,
    transparent: true,
    opacity: 0.55,
  })
  const arrowSkin = new MeshStandardMaterial({ color: token('stop'), roughness: 0.5 })
  const halves = new Group()
  const arrow = new Group()

  /** The parting from wall to wall with its contour lines, and silicone that is locked by it. */
  function set(drawn: DrawnHalves | undefined): void {
    for (const child of halves.children) (child as Mesh).geometry.dispose()
    halves.clear()
    if (drawn) {
      const { mesh, contours } = drawn.sheet
      const flat = new BufferGeometry()
      flat.setAttribute(
        'position',
        new BufferAttribute(
          Float32Array.from(mesh.positions, (x) => x * scale),
          3,
        ),
      )
      flat.setIndex(new BufferAttribute(mesh.triangles, 1))
      flat.computeVertexNormals()
      const sheet = new Mesh(flat, sheetSkin)
      sheet.renderOrder = 5
      halves.add(sheet)
      for (const line of contours) {
        const places = new BufferGeometry()
        places.setAttribute(
          'position',
          new BufferAttribute(
            Float32Array.from(line, (x) => x * scale),
            3,
          ),
        )
        halves.add(new Line(places, contourLine))
      }
      halves.add(lockedCells(drawn))
      for (const { at, width } of drawn.keys) {
        const key = new Mesh(new SphereGeometry((width * scale) / 2, 24, 16), keySkin)
        key.position.set(at[0] * scale, at[1] * scale, at[2] * scale)
        halves.add(key)
      }
    }
  }

  /** Which way two halves are pulled apart: an arrow through the middle of the piece. */
  function pull(direction: Vec3 | undefined, around?: Sphere | null): void {
    for (const child of arrow.children) (child as Mesh).geometry.dispose()
    arrow.clear()
    if (direction && around) {
      const size = around.radius
      const shaft = new Mesh(
        new CylinderGeometry(size * 0.02, size * 0.02, size * 2.4, 16),
        arrowSkin,
      )
      const tip = new Mesh(new CylinderGeometry(0, size * 0.06, size * 0.2, 24), arrowSkin)
      tip.position.y = size * 1.3
      arrow.add(shaft, tip)
      arrow.quaternion.setFromUnitVectors(
        new Vector3(0, 1, 0),
        new Vector3(...direction).normalize(),
      )
      arrow.position.copy(around.center)
    }
  }

  function lockedCells({ locked, cell, axes }: DrawnHalves): InstancedMesh {
    const [width, depth, height] = cell.map((side) => side * scale)
    const cells = new InstancedMesh(
      new BoxGeometry(width, depth, height),
      lockedSkin,
      locked.length / 3,
    )
    const turned = new Matrix4().makeBasis(
      new Vector3(...axes.right),
      new Vector3(...axes.away),
      new Vector3(...axes.up),
    )
    for (let i = 0; i < locked.length / 3; i++) {
      const [x, y, z] = [locked[3 * i], locked[3 * i + 1], locked[3 * i + 2]]
      cells.setMatrixAt(i, turned.setPosition(x * scale, y * scale, z * scale))
    }
    return cells
  }

  return {
    groups: [halves, arrow],
    materials: [sheetSkin, contourLine, keySkin, lockedSkin],
    set,
    pull,
  }
}
