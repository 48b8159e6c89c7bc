import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  HemisphereLight,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import type { Vec3 } from '@mivro/core/form/mesh'
import type { DrawnMesh } from '../work/handlers.ts'
import { drawnOf, scale } from './stage.ts'

/** Where a piece is looked at from to begin with: its front, a little from the right and above. */
const look = new Vector3(0.9, -2.6, 1.5).normalize()

/** Around the shape, as a share of its own size. */
const room = 1.04

/** So much higher than it is far, where a side of it is looked at. */
const raised = 0.35
/** A mark on the shape is so large, as a share of its radius. */
const markSize = 0.035
/** A pointer that went no further was a click, px. */
const still = 4

/** A place of the shape that is marked. */
export interface SolidMark {
  at: Vec3
  on: boolean
}

/** A shape in soft light, and the camera that looks at it. */
function studio(renderer: WebGLRenderer, colour: string, rimColour: string) {
  const scene = new Scene()
  const camera = new PerspectiveCamera(30, 1, 1, 5000)
  camera.up.set(0, 0, 1)
  camera.position.copy(look)
  scene.add(new HemisphereLight('white', 'gainsboro', 2.3))
  const sun = new DirectionalLight('white', 1.3)
  camera.add(sun)
  sun.position.set(-1.2, 1.4, 0.8)
  scene.add(camera)
  const material = new MeshStandardMaterial({ roughness: 0.42 })
  // As pale as cured resin: two thirds of its tint.
  const pale = new Color(colour).lerp(new Color('white'), 0.35)
  let solid: Mesh | undefined
  // Seen through the shape, so that a hole on its far side is not missed.
  const rimInk = new LineBasicMaterial({ color: rimColour, depthTest: false })
  const rims = new LineSegments(new BufferGeometry(), rimInk)
  rims.renderOrder = 1

  function setMesh(surface: DrawnMesh): void {
    if (solid) scene.remove(solid)
    solid?.geometry.dispose()
    material.vertexColors = surface.colours !== undefined
    material.color.set(surface.colours ? 'white' : pale)
    material.needsUpdate = true
    solid = new Mesh(drawnOf(surface, surface.colours), material)
    scene.add(solid)
    rims.geometry.dispose()
    rims.geometry = new BufferGeometry()
    scene.remove(rims)
    if (!surface.rims) return
    const points = Float32Array.from(surface.rims, (x) => x * scale)
    rims.geometry.setAttribute('position', new BufferAttribute(points, 3))
    scene.add(rims)
  }

  const marks: Mesh[] = []
  function setMarks(wanted: readonly SolidMark[], colours: { on: string; off: string }): void {
    for (const mark of marks.splice(0)) {
      scene.remove(mark)
      mark.geometry.dispose()
      ;(mark.material as MeshStandardMaterial).dispose()
    }
    const radius = markSize * (solid?.geometry.boundingSphere?.radius ?? 1)
    for (const { at, on } of wanted) {
      const ball = new Mesh(
        new SphereGeometry(on ? 1.4 * radius : radius, 20, 14),
        new MeshStandardMaterial({
          color: on ? colours.on : colours.off,
          roughness: 0.5,
          // A map is looked at for its one place: an arm in front does not hide it.
          depthTest: !material.vertexColors,
        }),
      )
      ball.renderOrder = 2
      ball.position.set(at[0] * scale, at[1] * scale, at[2] * scale)
      marks.push(ball)
      scene.add(ball)
    }
  }

  const ray = new Raycaster()
  /** The place of the shape under a point of the picture, -1 to 1; undefined beside it. */
  function under(x: number, y: number): Vec3 | undefined {
    if (!solid) return undefined
    ray.setFromCamera(new Vector2(x, y), camera)
    const hit = ray.intersectObject(solid, false)[0]?.point
    return hit && [hit.x / scale, hit.y / scale, hit.z / scale]
  }

  /** All of it in the picture, however narrow that is, seen from where it is seen; its middle. */
  function frameIt(target: Vector3): void {
    if (!solid) return
    const { center, radius } = solid.geometry.boundingSphere!
    const toward = camera.position.clone().sub(target)
    if (toward.lengthSq() === 0) toward.copy(look)
    const upright = (camera.fov * Math.PI) / 360
    const across = Math.atan(Math.tan(upright) * camera.aspect)
    const far = (room * radius) / Math.sin(Math.min(upright, across))
    target.copy(center)
    camera.position.copy(center).addScaledVector(toward.normalize(), far)
    camera.near = radius / 50
    camera.far = radius * 40
    camera.lookAt(center)
    camera.updateProjectionMatrix()
  }

  const draw = () => renderer.render(scene, camera)
  const close = () => {
    solid?.geometry.dispose()
    material.dispose()
    rims.geometry.dispose()
    rimInk.dispose()
    renderer.dispose()
  }
  const sphere = () => solid?.geometry.boundingSphere ?? undefined
  return { camera, setMesh, setMarks, under, frameIt, sphere, draw, close }
}

/** A shape by itself in soft light, to be turned by hand. Throws where there is no WebGL. */
export function openSolid(box: HTMLElement, colour: string, rimColour: string) {
  const renderer = new WebGLRenderer({ antialias: true, alpha: true })
  renderer.setPixelRatio(Math.min(2, devicePixelRatio))
  box.append(renderer.domElement)
  const { camera, setMesh, setMarks, under, frameIt, sphere, draw, close } = studio(
    renderer,
    colour,
    rimColour,
  )
  const controls = new OrbitControls(camera, renderer.domElement)
  controls.enableDamping = false
  controls.enablePan = false
  controls.addEventListener('change', draw)
  const framed = () => {
    frameIt(controls.target)
    controls.update()
    draw()
  }
  const sized = new ResizeObserver(() => {
    const { clientWidth: width, clientHeight: height } = box
    if (width === 0 || height === 0) return
    renderer.setSize(width, height)
    camera.aspect = width / height
    framed()
  })
  sized.observe(box)

  return {
    setMesh(surface: DrawnMesh) {
      setMesh(surface)
      framed()
    },
    /** Seen from the side that a place lies on. */
    seeFrom(at: Vec3) {
      const { center } = sphere() ?? { center: controls.target }
      const side = new Vector3(at[0] * scale, at[1] * scale, at[2] * scale).sub(center)
      // From a little above, and never from straight over or under it.
      side.z = raised * Math.hypot(side.x, side.y) + 1e-3
      camera.position.copy(controls.target).add(side)
      framed()
    },
    setMarks(marks: readonly SolidMark[], colours: { on: string; off: string }) {
      setMarks(marks, colours)
      draw()
    },
    /** Told of every click on the shape, and with nothing of one beside it. */
    onPick(take: (at: Vec3 | undefined) => void) {
      const element = renderer.domElement
      let from = { x: 0, y: 0 }
      element.addEventListener('pointerdown', ({ clientX: x, clientY: y }) => (from = { x, y }))
      element.addEventListener('pointerup', ({ clientX, clientY }) => {
        if (Math.hypot(clientX - from.x, clientY - from.y) > still) return
        const { left, top, width, height } = element.getBoundingClientRect()
        take(under(((clientX - left) / width) * 2 - 1, 1 - ((clientY - top) / height) * 2))
      })
    },
    close() {
      sized.disconnect()
      controls.dispose()
      close()
      renderer.domElement.remove()
    },
  }
}
