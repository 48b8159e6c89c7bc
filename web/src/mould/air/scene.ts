import {
  AmbientLight,
  BufferAttribute,
  BufferGeometry,
  DirectionalLight,
  DoubleSide,
  Group,
  IcosahedronGeometry,
  InstancedMesh,
  Matrix4,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Plane,
  Quaternion,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import { MeshBVH, acceleratedRaycast } from 'three-mesh-bvh'
import { token } from '../../theme/token.ts'
import type { MouldOpening } from '@mivro/core/mould'
import { fromAxes, type Mesh as Surface, type Vec3 } from '@mivro/core/mesh'
import { type Section } from '@mivro/core/filling'

interface Hand {
  onSelect: (id: string | undefined) => void
  onDrag: (id: string, at: readonly number[]) => void
  onDrop: () => void
}

/** Metres are drawn as this many units: three's near plane likes tens. */
const scale = 1000

/**
 * The piece in the round. Everything in it lies in the piece's own axes, in millimetres; the
 * group is turned so that what points up while pouring points up here.
 */
export function openScene(box: HTMLElement, hand: Hand) {
  const renderer = new WebGLRenderer({ antialias: true, alpha: true })
  renderer.localClippingEnabled = true
  renderer.setPixelRatio(Math.min(2, devicePixelRatio))
  box.append(renderer.domElement)
  const scene = new Scene()
  const camera = new PerspectiveCamera(32, 1, 1, 5000)
  const controls = new OrbitControls(camera, renderer.domElement)
  controls.enableDamping = false
  scene.add(new AmbientLight(token('light'), 1.7))
  const sun = new DirectionalLight(token('sun'), 2.2)
  sun.position.set(0.6, 1, 0.8)
  scene.add(sun)
  const held = new Group()
  scene.add(held)

  const airy = new MeshStandardMaterial({
    color: token('air'),
    roughness: 0.6,
    emissive: token('air-glow'),
    emissiveIntensity: 0.35,
  })
  const dabbed = new MeshStandardMaterial({ color: token('amber'), roughness: 0.6 })
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
  let size = 50
  const openings = new Group()
  const pockets = new Group()
  held.add(openings, pockets)

  /** However much changes at once, one picture is drawn. */
  let asked = 0
  const draw = () => {
    if (asked !== 0) return
    asked = requestAnimationFrame(() => {
      asked = 0
      renderer.render(scene, camera)
    })
  }
  controls.addEventListener('change', draw)
  const sized = new ResizeObserver(() => {
    const { clientWidth: width, clientHeight: height } = box
    if (width === 0 || height === 0) return
    renderer.setSize(width, height)
    camera.aspect = width / height
    camera.updateProjectionMatrix()
    draw()
  })
  sized.observe(box)

  function setMesh({ positions, triangles }: Surface): void {
    piece?.geometry.dispose()
    if (piece) held.remove(piece)
    const geometry = new BufferGeometry()
    const points = Float32Array.from(positions, (x) => x * scale)
    geometry.setAttribute('position', new BufferAttribute(points, 3))
    geometry.setIndex(new BufferAttribute(triangles, 1))
    const flat = geometry.toNonIndexed()
    flat.computeVertexNormals()
    geometry.dispose()
    flat.computeBoundingSphere()
    piece = new Mesh(flat, skin)
    piece.raycast = acceleratedRaycast
    ;(flat as BufferGeometry & { boundsTree?: MeshBVH }).boundsTree = new MeshBVH(flat)
    piece.renderOrder = 2
    held.add(piece)
    size = flat.boundingSphere!.radius
    frameIt()
  }

  function frameIt(): void {
    held.updateMatrixWorld()
    const middle = piece!.geometry.boundingSphere!.center.clone().applyMatrix4(held.matrixWorld)
    controls.target.copy(middle)
    camera.position.copy(middle).add(new Vector3(1.6, 0.9, 3.1).multiplyScalar(size))
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
    for (const material of [skin, airy, dabbed]) material.clippingPlanes = section ? [plane] : []
    skin.opacity = section ? 0.85 : 0.34
    skin.depthWrite = section !== undefined
    skin.needsUpdate = true
    draw()
  }

  function setOpenings(list: readonly MouldOpening[], selected: string | undefined): void {
    openings.clear()
    for (const { id, at, bore, what } of list) {
      const ball = new Mesh(
        new SphereGeometry(Math.max((bore * scale) / 2, size * 0.028), 24, 16),
        new MeshStandardMaterial({
          color: token(what === 'gate' ? 'honey' : 'teal'),
          emissive: token('teal'),
          emissiveIntensity: id === selected ? 0.45 : 0,
        }),
      )
      ball.position.set(at[0] * scale, at[1] * scale, at[2] * scale)
      ball.userData.id = id
      openings.add(ball)
    }
    draw()
  }

  function setPockets(
    list: readonly { places: Float32Array; prefilled: boolean }[],
    cell: number,
  ): void {
    pockets.clear()
    const bubble = new IcosahedronGeometry(cell * scale * 0.9, 0)
    for (const { places, prefilled } of list) {
      const count = places.length / 3
      const cloud = new InstancedMesh(bubble, prefilled ? dabbed : airy, count)
      const matrix = new Matrix4()
      for (let i = 0; i < count; i++) {
        matrix.setPosition(
          places[3 * i] * scale,
          places[3 * i + 1] * scale,
          places[3 * i + 2] * scale,
        )
        cloud.setMatrixAt(i, matrix)
      }
      cloud.renderOrder = 1
      pockets.add(cloud)
    }
    draw()
  }

  // Gates and vents move along the surface.
  const ray = new Raycaster()
  let carried: string | undefined
  const aim = (event: PointerEvent) => {
    const { left, top, width, height } = renderer.domElement.getBoundingClientRect()
    const at = new Vector2(
      ((event.clientX - left) / width) * 2 - 1,
      1 - ((event.clientY - top) / height) * 2,
    )
    ray.setFromCamera(at, camera)
  }
  const down = (event: PointerEvent) => {
    aim(event)
    const [hit] = ray.intersectObjects(openings.children)
    carried = hit?.object.userData.id
    hand.onSelect(carried)
    if (!carried) return
    controls.enabled = false
    renderer.domElement.setPointerCapture(event.pointerId)
  }
  const move = (event: PointerEvent) => {
    if (!carried || !piece) return
    aim(event)
    const [hit] = ray.intersectObject(piece)
    if (!hit) return
    const local = piece.worldToLocal(hit.point.clone())
    hand.onDrag(carried, [local.x / scale, local.y / scale, local.z / scale])
  }
  const up = () => {
    if (carried) hand.onDrop()
    carried = undefined
    controls.enabled = true
  }
  renderer.domElement.addEventListener('pointerdown', down, { capture: true })
  renderer.domElement.addEventListener('pointermove', move)
  renderer.domElement.addEventListener('pointerup', up)

  function close(): void {
    cancelAnimationFrame(asked)
    sized.disconnect()
    controls.dispose()
    piece?.geometry.dispose()
    renderer.dispose()
    renderer.domElement.remove()
  }

  return { setMesh, hold, setCut, setOpenings, setPockets, close }
}

export type PieceScene = ReturnType<typeof openScene>
