import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  HemisphereLight,
  Mesh,
  MeshStandardMaterial,
  PerspectiveCamera,
  Scene,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/examples/jsm/controls/OrbitControls.js'
import { toCreasedNormals } from 'three/examples/jsm/utils/BufferGeometryUtils.js'
import type { Mesh as Surface } from '@mivro/core/shape'

/** Metres are drawn as this many units: three's near plane likes tens. */
const scale = 1000

/** Faces that meet at more than this are an edge, radians; flatter ones are smooth. */
const crease = 0.6

/** Where a piece is looked at from to begin with: its front, a little from the right and above. */
const look = new Vector3(0.9, -2.6, 1.5).normalize()

/** A shape by itself in soft light, to be turned by hand. Throws where there is no WebGL. */
export function openSolid(box: HTMLElement, colour: string) {
  const renderer = new WebGLRenderer({ antialias: true, alpha: true })
  renderer.setPixelRatio(Math.min(2, devicePixelRatio))
  box.append(renderer.domElement)
  const scene = new Scene()
  const camera = new PerspectiveCamera(30, 1, 1, 5000)
  camera.up.set(0, 0, 1)
  const controls = new OrbitControls(camera, renderer.domElement)
  controls.enableDamping = false
  controls.enablePan = false
  scene.add(new HemisphereLight('white', 'slategray', 1.5))
  const sun = new DirectionalLight('white', 1.9)
  camera.add(sun)
  sun.position.set(-1.2, 1.4, 0.8)
  scene.add(camera)
  const material = new MeshStandardMaterial({ roughness: 0.42 })
  // As pale as cured resin: half its tint.
  material.color.set(colour).lerp(new Color('white'), 0.5)
  let solid: Mesh | undefined

  const draw = () => renderer.render(scene, camera)
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
    if (solid) scene.remove(solid)
    solid?.geometry.dispose()
    const geometry = new BufferGeometry()
    const points = Float32Array.from(positions, (x) => x * scale)
    geometry.setAttribute('position', new BufferAttribute(points, 3))
    geometry.setIndex(new BufferAttribute(triangles, 1))
    const smooth = toCreasedNormals(geometry, crease)
    geometry.dispose()
    smooth.computeBoundingSphere()
    const { center, radius } = smooth.boundingSphere!
    solid = new Mesh(smooth, material)
    scene.add(solid)
    controls.target.copy(center)
    camera.position.copy(center).addScaledVector(look, radius * 4.4)
    camera.near = radius / 50
    camera.far = radius * 40
    camera.updateProjectionMatrix()
    controls.update()
    draw()
  }

  return {
    setMesh,
    close() {
      sized.disconnect()
      controls.dispose()
      solid?.geometry.dispose()
      material.dispose()
      renderer.dispose()
      renderer.domElement.remove()
    },
  }
}
