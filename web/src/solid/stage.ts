import {
  BufferAttribute,
  BufferGeometry,
  Color,
  PerspectiveCamera,
  Raycaster,
  Scene,
  SRGBColorSpace,
  Vector2,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js'
import type { Mesh as Surface } from '@mivro/core/form/mesh'

/** Metres are drawn as this many units: three's near plane likes tens. */
export const scale = 1000

/** Faces that meet at more than this are an edge, radians; flatter ones are smooth. */
export const crease = 0.6

/** A surface in metres as it is drawn, smooth but for its edges. */
export function drawnOf(
  { positions, triangles }: Surface,
  colours?: Float32Array<ArrayBuffer>,
): BufferGeometry {
  const geometry = new BufferGeometry()
  const points = Float32Array.from(positions, (x) => x * scale)
  geometry.setAttribute('position', new BufferAttribute(points, 3))
  if (colours) geometry.setAttribute('color', new BufferAttribute(linear(colours), 3))
  geometry.setIndex(new BufferAttribute(triangles, 1))
  const smooth = toCreasedNormals(geometry, crease)
  geometry.dispose()
  smooth.computeBoundingSphere()
  return smooth
}

/** Colours as light: three mixes and lights them so (IEC 61966-2-1). */
function linear(colours: Float32Array<ArrayBuffer>): Float32Array<ArrayBuffer> {
  const mixed = new Color()
  const made = new Float32Array(colours.length)
  for (let i = 0; i < colours.length; i += 3) {
    mixed.setRGB(colours[i], colours[i + 1], colours[i + 2], SRGBColorSpace).toArray(made, i)
  }
  return made
}

/**
 * A scene in an element that is turned by dragging, drawn when something changed and then once.
 * Throws where there is no WebGL.
 */
export function openStage(
  box: HTMLElement,
  { fov, onSized }: { fov: number; onSized: () => void },
) {
  const renderer = new WebGLRenderer({ antialias: true, alpha: true })
  renderer.setPixelRatio(Math.min(2, devicePixelRatio))
  box.append(renderer.domElement)
  const scene = new Scene()
  const camera = new PerspectiveCamera(fov, 1, 1, 5000)
  scene.add(camera)
  const controls = new OrbitControls(camera, renderer.domElement)
  controls.enableDamping = false

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
    onSized()
  })
  sized.observe(box)

  const ray = new Raycaster()
  /** The ray under a pointer. */
  const aim = ({ clientX, clientY }: PointerEvent): Raycaster => {
    const { left, top, width, height } = renderer.domElement.getBoundingClientRect()
    const at = new Vector2(((clientX - left) / width) * 2 - 1, 1 - ((clientY - top) / height) * 2)
    ray.setFromCamera(at, camera)
    return ray
  }

  /**
   * Follows a pointer while something is held; until then it turns the scene. `take` says whether
   * there is something under it.
   */
  function carry(hand: {
    take: (event: PointerEvent) => boolean
    move: (event: PointerEvent) => void
    drop: () => void
  }): void {
    const element = renderer.domElement
    let held = false
    element.addEventListener(
      'pointerdown',
      (event) => {
        held = hand.take(event)
        if (!held) return
        controls.enabled = false
        element.setPointerCapture(event.pointerId)
      },
      { capture: true },
    )
    element.addEventListener('pointermove', (event) => held && hand.move(event))
    const end = () => {
      if (held) hand.drop()
      held = false
      controls.enabled = true
    }
    element.addEventListener('pointerup', end)
    element.addEventListener('pointercancel', end)
  }

  function close(): void {
    cancelAnimationFrame(asked)
    sized.disconnect()
    controls.dispose()
    renderer.dispose()
    renderer.domElement.remove()
  }

  return { renderer, scene, camera, controls, draw, aim, carry, close }
}
