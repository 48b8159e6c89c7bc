import {
  DirectionalLight,
  DoubleSide,
  Group,
  HemisphereLight,
  Mesh,
  MeshStandardMaterial,
  Plane,
  Quaternion,
  Vector3,
} from 'three'
import { axesFor, toAxes, type Mesh as Surface, type Vec3 } from '@mivro/core/form/mesh'
import { middleOf, thingsMesh, type Arranged } from '@mivro/core/matter/inclusion'
import { token } from '../theme/token.ts'
import { drawnOf, openStage, scale } from './stage.ts'

interface Hand {
  onChoose: (id: string, i: number) => void
  /** By so much from where it was taken, m, in the frame of the pour. */
  onDrag: (dx: number, dy: number) => void
  onDrop: () => void
}

/** A piece as glass with the things in it; each is dragged at the height where it rests. */
export function openThings(box: HTMLElement, hand: Hand) {
  const stage = openStage(box, { fov: 30, onSized: () => frameIt() })
  const { scene, camera, controls, draw } = stage
  controls.enablePan = false
  scene.add(new HemisphereLight('white', 'gainsboro', 2.4))
  const sun = new DirectionalLight('white', 1.3)
  sun.position.set(-1, 1.4, 0.9)
  camera.add(sun)
  const held = new Group()
  scene.add(held)
  const glass = new MeshStandardMaterial({
    color: token('skin'),
    roughness: 0.4,
    transparent: true,
    opacity: 0.28,
    side: DoubleSide,
    depthWrite: false,
  })
  const laid = new Group()
  held.add(laid)
  let piece: Mesh | undefined
  let surface: Surface | undefined
  let up: Vec3 = [0, 0, 1]

  function frameIt(): void {
    if (!piece) return
    held.updateMatrixWorld()
    const { center, radius } = piece.geometry.boundingSphere!
    const middle = center.clone().applyMatrix4(held.matrixWorld)
    const upright = (camera.fov * Math.PI) / 360
    const across = Math.atan(Math.tan(upright) * camera.aspect)
    const far = (1.06 * radius) / Math.sin(Math.min(upright, across))
    controls.target.copy(middle)
    camera.position.copy(middle).addScaledVector(new Vector3(0.5, 1.5, 1.7).normalize(), far)
    camera.near = radius / 50
    camera.far = radius * 40
    camera.updateProjectionMatrix()
    controls.update()
    draw()
  }
  function setPiece(next: Surface, way: Vec3): void {
    if (piece) held.remove(piece)
    piece?.geometry.dispose()
    ;[surface, up] = [next, way]
    piece = new Mesh(drawnOf(next), glass)
    piece.renderOrder = 2
    held.add(piece)
    const from = new Vector3(...way).normalize()
    held.quaternion.copy(new Quaternion().setFromUnitVectors(from, new Vector3(0, 1, 0)))
    frameIt()
  }

  function setThings(
    things: readonly (Arranged & { colour: string })[],
    isChosen: (id: string, i: number) => boolean,
  ): void {
    for (const child of laid.children) {
      const { geometry, material } = child as Mesh
      geometry.dispose()
      ;(material as MeshStandardMaterial).dispose()
    }
    laid.clear()
    if (!surface) return
    const [axes, middle] = [axesFor(up), middleOf(surface, up)]
    for (const { id, size, floor, places, colour } of things) {
      places.forEach((place, i) => {
        const material = new MeshStandardMaterial({ color: colour, roughness: 0.45 })
        if (isChosen(id, i)) material.emissive.set(token('teal'))
        const one = new Mesh(drawnOf(thingsMesh(size, [place], axes, middle, floor)), material)
        one.userData = { id, i }
        laid.add(one)
      })
    }
    draw()
  }

  const plane = new Plane()
  let from = new Vector3()
  stage.carry({
    take(event) {
      const [hit] = stage.aim(event).intersectObjects(laid.children)
      if (!hit) return false
      from = hit.point.clone()
      plane.setFromNormalAndCoplanarPoint(new Vector3(0, 1, 0), from)
      const { id, i } = hit.object.userData as { id: string; i: number }
      hand.onChoose(id, i)
      return true
    },
    move(event) {
      const at = stage.aim(event).ray.intersectPlane(plane, new Vector3())
      if (!at) return
      const local = held.worldToLocal(at).sub(held.worldToLocal(from.clone()))
      const [dx, dy] = toAxes(axesFor(up), [local.x / scale, local.y / scale, local.z / scale])
      hand.onDrag(dx, dy)
    },
    drop: hand.onDrop,
  })

  function close(): void {
    piece?.geometry.dispose()
    stage.close()
  }

  return { setPiece, setThings, close }
}

export type ThingScene = ReturnType<typeof openThings>
