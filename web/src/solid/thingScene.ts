import {
  BufferAttribute,
  BufferGeometry,
  DirectionalLight,
  DoubleSide,
  Group,
  HemisphereLight,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Plane,
  Quaternion,
  Raycaster,
  Scene,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js'
import { axesFor, toAxes, type Mesh as Surface, type Vec3 } from '@mivro/core/mesh'
import { middleOf, thingsMesh, type Arranged } from '@mivro/core/inclusion'
import { token } from '../theme/token.ts'

/** Metres are drawn as this many units: three's near plane likes tens. */
const scale = 1000
/** Faces that meet at more than this are an edge, radians; flatter ones are smooth. */
const crease = 0.6

interface Hand {
  onChoose: (id: string, i: number) => void
  /** By so much from where it was taken, m, in the frame of the pour. */
  onDrag: (dx: number, dy: number) => void
  onDrop: () => void
}

/** A piece as glass with the things in it; each is dragged at the height where it rests. */
export function openThings(box: HTMLElement, hand: Hand) {
  const renderer = new WebGLRenderer({ antialias: true, alpha: true })
  renderer.setPixelRatio(Math.min(2, devicePixelRatio))
  box.append(renderer.domElement)
  const scene = new Scene()
  const camera = new PerspectiveCamera(30, 1, 1, 5000)
  const controls = new OrbitControls(camera, renderer.domElement)
  controls.enableDamping = false
  controls.enablePan = false
  scene.add(new HemisphereLight('white', 'gainsboro', 2.4))
  const sun = new DirectionalLight('white', 1.3)
  sun.position.set(-1, 1.4, 0.9)
  camera.add(sun)
  scene.add(camera)
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

  let asked = 0
  const draw = () => {
    if (asked !== 0) return
    asked = requestAnimationFrame(() => {
      asked = 0
      renderer.render(scene, camera)
    })
  }
  controls.addEventListener('change', draw)

  const solid = ({ positions, triangles }: Surface): BufferGeometry => {
    const geometry = new BufferGeometry()
    const points = Float32Array.from(positions, (x) => x * scale)
    geometry.setAttribute('position', new BufferAttribute(points, 3))
    geometry.setIndex(new BufferAttribute(triangles, 1))
    const flat = toCreasedNormals(geometry, crease)
    geometry.dispose()
    return flat
  }

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
  const sized = new ResizeObserver(() => {
    const { clientWidth: width, clientHeight: height } = box
    if (width === 0 || height === 0) return
    renderer.setSize(width, height)
    camera.aspect = width / height
    frameIt()
  })
  sized.observe(box)

  function setPiece(next: Surface, way: Vec3): void {
    if (piece) held.remove(piece)
    piece?.geometry.dispose()
    ;[surface, up] = [next, way]
    piece = new Mesh(solid(next), glass)
    piece.geometry.computeBoundingSphere()
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
        const one = new Mesh(solid(thingsMesh(size, [place], axes, middle, floor)), material)
        one.userData = { id, i }
        laid.add(one)
      })
    }
    draw()
  }

  const ray = new Raycaster()
  const plane = new Plane()
  let from: Vector3 | undefined
  const aim = ({ clientX, clientY }: PointerEvent) => {
    const { left, top, width, height } = renderer.domElement.getBoundingClientRect()
    const at = new Vector2(((clientX - left) / width) * 2 - 1, 1 - ((clientY - top) / height) * 2)
    ray.setFromCamera(at, camera)
  }
  const down = (event: PointerEvent) => {
    aim(event)
    const [hit] = ray.intersectObjects(laid.children)
    if (!hit) return
    controls.enabled = false
    renderer.domElement.setPointerCapture(event.pointerId)
    from = hit.point.clone()
    plane.setFromNormalAndCoplanarPoint(new Vector3(0, 1, 0), from)
    const { id, i } = hit.object.userData as { id: string; i: number }
    hand.onChoose(id, i)
  }
  const move = (event: PointerEvent) => {
    if (!from) return
    aim(event)
    const at = ray.ray.intersectPlane(plane, new Vector3())
    if (!at) return
    const local = held.worldToLocal(at).sub(held.worldToLocal(from.clone()))
    const [dx, dy] = toAxes(axesFor(up), [local.x / scale, local.y / scale, local.z / scale])
    hand.onDrag(dx, dy)
  }
  const drop = () => {
    if (from) hand.onDrop()
    from = undefined
    controls.enabled = true
  }
  renderer.domElement.addEventListener('pointerdown', down, { capture: true })
  renderer.domElement.addEventListener('pointermove', move)
  renderer.domElement.addEventListener('pointerup', drop)
  renderer.domElement.addEventListener('pointercancel', drop)

  function close(): void {
    cancelAnimationFrame(asked)
    sized.disconnect()
    controls.dispose()
    piece?.geometry.dispose()
    renderer.dispose()
    renderer.domElement.remove()
  }

  return { setPiece, setThings, close }
}

export type ThingScene = ReturnType<typeof openThings>
