import {
  BufferAttribute,
  Box3,
  BoxGeometry,
  BufferGeometry,
  CatmullRomCurve3,
  CylinderGeometry,
  DirectionalLight,
  DoubleSide,
  Group,
  HemisphereLight,
  Matrix4,
  Mesh,
  MeshStandardMaterial,
  Plane,
  Quaternion,
  SphereGeometry,
  TubeGeometry,
  Vector3,
} from 'three'
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js'
import { MeshBVH, acceleratedRaycast } from 'three-mesh-bvh'
import { crease, drawnOf, openStage, scale } from '../../solid/stage.ts'
import { token } from '../../theme/token.ts'
import type { MouldOpening } from '@mivro/core/mould'
import { halvesLayer, type DrawnHalves } from './halvesLayer.ts'
import { fromAxes, type Axes, type Mesh as Surface, type Vec3 } from '@mivro/core/form/mesh'
import { type Section } from '@mivro/core/form/filling'

interface Hand {
  onSelect: (id: string | undefined) => void
  onDrag: (id: string, at: readonly number[]) => void
  onDrop: () => void
}

/** The silicone around a piece: its own way up, and how much of it is left where, m. */
export interface MouldBlock {
  axes: Axes
  side: number
  under: number
  over: number
}

/**
 * The piece in the round. Everything in it lies in the piece's own axes, in millimetres; the
 * group is turned so that what points up while pouring points up here.
 */
export function openScene(box: HTMLElement, hand: Hand) {
  const stage = openStage(box, { fov: 32, onSized: () => draw() })
  const { renderer, scene, camera, controls, draw } = stage
  renderer.localClippingEnabled = true
  scene.add(new HemisphereLight(token('light'), token('track'), 2.1))
  const sun = new DirectionalLight(token('sun'), 1.4)
  sun.position.set(-0.8, 1.4, 1)
  camera.add(sun)
  const held = new Group()
  scene.add(held)

  const airy = new MeshStandardMaterial({
    color: token('air'),
    roughness: 0.6,
    emissive: token('air-glow'),
    emissiveIntensity: 0.35,
    side: DoubleSide,
    // It lies on the skin of the piece: a hair before it.
    polygonOffset: true,
    polygonOffsetFactor: -2,
    polygonOffsetUnits: -2,
  })
  const dabbed = airy.clone()
  dabbed.color.set(token('amber'))
  dabbed.emissiveIntensity = 0
  const glassy = new MeshStandardMaterial({
    color: token('silicone-deep'),
    roughness: 0.15,
    transparent: true,
    opacity: 0.22,
    side: DoubleSide,
    depthWrite: false,
  })
  const cutLine = new MeshStandardMaterial({ color: token('stop'), roughness: 0.5 })
  const closedLine = new MeshStandardMaterial({ color: token('ink-3'), roughness: 0.5 })
  const plane = new Plane(new Vector3(0, 0, 1), 0)
  const skin = new MeshStandardMaterial({
    color: token('skin'),
    roughness: 0.55,
    transparent: true,
    opacity: 0.34,
    side: DoubleSide,
    depthWrite: false,
  })
  let piece: Mesh | undefined
  let glass: Mesh | undefined
  let size = 50
  const openings = new Group()
  const pockets = new Group()
  const seam = new Group()
  const halves = halvesLayer()
  held.add(openings, pockets, seam, ...halves.groups)

  function setMesh(surface: Surface): void {
    piece?.geometry.dispose()
    if (piece) held.remove(piece)
    const flat = drawnOf(surface)
    piece = new Mesh(flat, skin)
    piece.raycast = acceleratedRaycast
    ;(flat as BufferGeometry & { boundsTree?: MeshBVH }).boundsTree = new MeshBVH(flat)
    piece.renderOrder = 2
    held.add(piece)
    size = flat.boundingSphere!.radius
    frameIt()
  }

  function frameIt(): void {
    if (!piece) return
    held.updateMatrixWorld()
    const middle = piece.geometry.boundingSphere!.center.clone().applyMatrix4(held.matrixWorld)
    controls.target.copy(middle)
    const near = glass ? 1.6 : 1.12
    camera.position.copy(middle).add(new Vector3(1.6, 0.9, 3.1).multiplyScalar(size * near))
    camera.near = size / 50
    camera.far = size * 40
    camera.updateProjectionMatrix()
    controls.update()
    draw()
  }

  let lastUp = ''
  function hold(up: Vec3): void {
    const key = up.join()
    if (key === lastUp) return
    lastUp = key
    const from = new Vector3(...up).normalize()
    held.quaternion.copy(new Quaternion().setFromUnitVectors(from, new Vector3(0, 1, 0)))
    if (piece) frameIt()
  }

  /** Cut where the cutaway is cut. */
  function setCut(section: Section | undefined): void {
    if (section) {
      held.updateMatrixWorld()
      const { axes, origin } = section
      const normal = new Vector3(...axes.away)
      const at = new Vector3(...fromAxes(axes, origin)).multiplyScalar(scale)
      plane.setFromNormalAndCoplanarPoint(normal, at).applyMatrix4(held.matrixWorld)
    }
    for (const material of [skin, airy, dabbed, glassy, ...halves.materials])
      material.clippingPlanes = section ? [plane] : []
    skin.opacity = section ? 0.85 : 0.34
    skin.depthWrite = section !== undefined
    skin.needsUpdate = true
    draw()
  }

  /** Gates and vents as the channels they are, from the piece to the top of the mould. */
  function setOpenings(
    list: readonly MouldOpening[],
    selected: string | undefined,
    { up, top }: { up: Vec3; top: number },
  ): void {
    for (const child of openings.children) (child as Mesh).geometry.dispose()
    openings.clear()
    const way = new Vector3(...up).normalize()
    for (const { id, at, bore, what } of list) {
      const from = new Vector3(...at).multiplyScalar(scale)
      const length = Math.max(top * scale - from.dot(way), bore * scale)
      const radius = Math.max((bore * scale) / 2, size * 0.012)
      const material = new MeshStandardMaterial({
        color: token(what === 'gate' ? 'honey' : 'teal'),
        emissive: token('teal'),
        emissiveIntensity: id === selected ? 0.45 : 0,
        roughness: 0.4,
      })
      const channel = new Mesh(new CylinderGeometry(radius, radius, length, 24), material)
      channel.quaternion.setFromUnitVectors(new Vector3(0, 1, 0), way)
      channel.position.copy(from).addScaledVector(way, length / 2)
      const mouth = new Mesh(new SphereGeometry(Math.max(radius, size * 0.028), 24, 16), material)
      mouth.position.copy(from)
      for (const part of [channel, mouth]) {
        part.userData.id = id
        openings.add(part)
      }
    }
    draw()
  }

  /** The surfaces that air lies under; and places that are only pointed at. */
  function setPockets(
    list: readonly { surface: Float32Array; prefilled: boolean }[],
    places: readonly Vec3[] = [],
  ): void {
    for (const child of pockets.children) (child as Mesh).geometry.dispose()
    pockets.clear()
    for (const { surface, prefilled } of list) {
      const flat = new BufferGeometry()
      flat.setAttribute(
        'position',
        new BufferAttribute(
          surface.map((x) => x * scale),
          3,
        ),
      )
      const bubble = new Mesh(toCreasedNormals(flat, crease), prefilled ? dabbed : airy)
      flat.dispose()
      bubble.renderOrder = 1
      pockets.add(bubble)
    }
    for (const [x, y, z] of places) {
      const ball = new Mesh(new SphereGeometry(size * 0.03, 24, 16), airy)
      ball.position.set(x * scale, y * scale, z * scale)
      pockets.add(ball)
    }
    draw()
  }

  /** Where the block is cut: the part of the line that is cut, and what stays closed. */
  function setSeam(
    line: { before: readonly number[]; after: readonly number[] } | undefined,
  ): void {
    for (const child of seam.children) (child as Mesh).geometry.dispose()
    seam.clear()
    for (const [points, material] of [
      [line?.before ?? [], cutLine],
      [line?.after ?? [], closedLine],
    ] as const) {
      const places = Array.from({ length: points.length / 3 }, (_, i) =>
        new Vector3(points[3 * i], points[3 * i + 1], points[3 * i + 2]).multiplyScalar(scale),
      )
      if (places.length < 2) continue
      const curve = new CatmullRomCurve3(places, false, 'centripetal')
      const tube = new TubeGeometry(curve, 4 * places.length, size * 0.014, 8)
      const drawn = new Mesh(tube, material)
      drawn.renderOrder = 4
      seam.add(drawn)
    }
    draw()
  }

  const setHalves = (drawn: DrawnHalves | undefined) => {
    halves.set(drawn)
    draw()
  }
  const setPull = (direction: Vec3 | undefined) => {
    halves.pull(direction && piece ? direction : undefined, piece?.geometry.boundingSphere)
    draw()
  }

  /** The silicone around the piece as glass: a block about it, along its own way up. */
  function setMould(block: MouldBlock | undefined): void {
    const before = glass !== undefined
    glass?.geometry.dispose()
    if (glass) held.remove(glass)
    glass = undefined
    if (block && piece) {
      const { right, away, up } = block.axes
      const turn = new Matrix4().makeBasis(
        new Vector3(...right),
        new Vector3(...away),
        new Vector3(...up),
      )
      const points = piece.geometry.getAttribute('position')
      const box = new Box3()
      const back = turn.clone().invert()
      const point = new Vector3()
      for (let i = 0; i < points.count; i++) {
        box.expandByPoint(point.fromBufferAttribute(points, i).applyMatrix4(back))
      }
      const { side, under, over } = block
      box.min.sub(new Vector3(side, side, under).multiplyScalar(scale))
      box.max.add(new Vector3(side, side, over).multiplyScalar(scale))
      const sides = box.getSize(new Vector3())
      glass = new Mesh(new BoxGeometry(sides.x, sides.y, sides.z), glassy)
      glass.applyMatrix4(turn.multiply(new Matrix4().setPosition(box.getCenter(point))))
      glass.renderOrder = 3
      held.add(glass)
    }
    if (before === (glass === undefined)) frameIt()
    draw()
  }

  // Gates and vents move along the surface.
  let carried: string | undefined
  stage.carry({
    take(event) {
      const [hit] = stage.aim(event).intersectObjects(openings.children)
      carried = hit?.object.userData.id
      hand.onSelect(carried)
      return carried !== undefined
    },
    move(event) {
      if (!carried || !piece) return
      const [hit] = stage.aim(event).intersectObject(piece)
      if (!hit) return
      const local = piece.worldToLocal(hit.point.clone())
      hand.onDrag(carried, [local.x / scale, local.y / scale, local.z / scale])
    },
    drop: hand.onDrop,
  })

  function close(): void {
    piece?.geometry.dispose()
    stage.close()
  }

  return {
    setMesh,
    hold,
    setCut,
    setOpenings,
    setPockets,
    setSeam,
    setHalves,
    setPull,
    setMould,
    close,
  }
}

export type PieceScene = ReturnType<typeof openScene>
