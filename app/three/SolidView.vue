<script setup lang="ts">
import {
  BufferAttribute,
  BufferGeometry,
  Color,
  DirectionalLight,
  DoubleSide,
  GridHelper,
  HemisphereLight,
  Line,
  LineBasicMaterial,
  Mesh,
  MeshBasicMaterial,
  MeshStandardMaterial,
  PerspectiveCamera,
  Plane,
  Points,
  PointsMaterial,
  Raycaster,
  Scene,
  SphereGeometry,
  Vector2,
  Vector3,
  WebGLRenderer,
} from 'three'
import { OrbitControls } from 'three/addons/controls/OrbitControls.js'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { SolidAnswer } from '~/workers/device.worker'

/**
 * The solid standing on a floor of 10 mm squares, to turn with finger, mouse or arrow keys;
 * landmarks on it are balls that can be dragged over the surface.
 */
const {
  solid,
  label,
  marks = [],
  mirrored = false,
  fixed = false,
  cutMm = null,
  shade = false,
  measuring = false,
} = defineProps<{
  solid: Pick<SolidAnswer, 'positions' | 'triangles' | 'thickness'> | null
  label: string
  marks?: { name: string; at: [number, number, number] }[]
  mirrored?: boolean
  fixed?: boolean
  /** everything in front of this distance from the heel is cut away, mm */
  cutMm?: number | null
  /** tint by thickness: thin pale, thick deep */
  shade?: boolean
  /** two taps measure between them */
  measuring?: boolean
}>()
const emit = defineEmits<{
  moved: [string, [number, number, number]]
  measured: [{ mm: number; from: [number, number, number]; to: [number, number, number] } | null]
}>()
const host = ref<HTMLDivElement | null>(null)
const trouble = ref('')
let renderer: WebGLRenderer | null = null
let controls: OrbitControls | null = null
let mesh: Mesh | Points | null = null
const scene = new Scene()
const camera = new PerspectiveCamera(32, 1, 10, 3000)
let observer: ResizeObserver | null = null
let framed = false

function draw() {
  renderer?.render(scene, camera)
}
function put() {
  if (mesh) {
    scene.remove(mesh)
    mesh.geometry.dispose()
  }
  if (!solid) return draw()
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(solid.positions, 3))
  if (solid.triangles.length) geometry.setIndex(new BufferAttribute(solid.triangles, 1))
  geometry.computeVertexNormals()
  const tinted = shade && solid.thickness
  if (tinted) geometry.setAttribute('color', new BufferAttribute(tints(solid.thickness!), 3))
  mesh =
    solid.triangles.length === 0
      ? new Points(geometry, new PointsMaterial({ color: '#24564b', size: 1.4 }))
      : new Mesh(
          geometry,
          new MeshStandardMaterial({
            color: tinted ? '#ffffff' : '#7fa396',
            vertexColors: Boolean(tinted),
            roughness: 0.75,
            side: DoubleSide,
            clippingPlanes: [plane],
          }),
        )
  mesh.rotation.x = -Math.PI / 2
  geometry.computeBoundingBox()
  const box = geometry.boundingBox!
  mesh.position.set(0, 0, (box.max.y + box.min.y) / 2)
  scene.add(mesh)
  putMarks()
  cut()
  if (!framed) {
    // As far away as the body is large; a device is seen as before.
    const far =
      Math.max(1, Math.max(box.max.z - box.min.z, 0.4 * (box.max.y - box.min.y)) / 62) *
      Math.max(1, 1.25 / camera.aspect)
    const middle = (box.max.z - box.min.z) / 2
    camera.position.set(150 * far, 165 * far, 200 * far)
    controls?.target.set(0, Math.max(8, middle), 0)
    controls?.update()
    framed = true
  }
  draw()
}
/** One hue, thin pale and thick deep; 0 to 8 mm, blocks stay at the deepest. */
function tints(thickness: Float32Array): Float32Array {
  const [thin, thick] = [new Color('#e9efe9'), new Color('#123b33')]
  const out = new Float32Array(3 * thickness.length)
  const c = new Color()
  for (let i = 0; i < thickness.length; i++)
    c.lerpColors(thin, thick, Math.min(1, thickness[i]! / 8)).toArray(out, 3 * i)
  return out
}
/** The cut: in the world the foot's length lies along −z, centred. */
const plane = new Plane(new Vector3(0, 0, 1), 1e4)
function cut() {
  const box = mesh?.geometry.boundingBox
  plane.constant = cutMm === null || !box ? 1e4 : cutMm - (box.max.y + box.min.y) / 2
  draw()
}
let ends: Vector3[] = []
let ruler: Line | null = null
function tap(event: PointerEvent) {
  if (!measuring || !(mesh instanceof Mesh)) return
  aim(event)
  const hit = ray.intersectObject(mesh, false).find((h) => plane.distanceToPoint(h.point) >= 0)
  if (!hit) return
  ends = ends.length >= 2 ? [hit.point.clone()] : [...ends, hit.point.clone()]
  ruler?.removeFromParent()
  ruler = null
  if (ends.length === 2) {
    ruler = new Line(
      new BufferGeometry().setFromPoints(ends),
      new LineBasicMaterial({ color: '#a63a2b', depthTest: false }),
    )
    scene.add(ruler)
    const foot = (v: Vector3) => mesh!.worldToLocal(v.clone()).toArray() as [number, number, number]
    emit('measured', {
      mm: ends[0]!.distanceTo(ends[1]!),
      from: foot(ends[0]!),
      to: foot(ends[1]!),
    })
  } else emit('measured', null)
  draw()
}
let balls: Mesh[] = []
let held: Mesh | null = null
const ray = new Raycaster()
function putMarks() {
  for (const b of balls) b.removeFromParent()
  balls = marks.map(({ name, at }) => {
    const ball = new Mesh(
      new SphereGeometry(4, 16, 12),
      new MeshBasicMaterial({
        color: '#a86f0c',
        depthTest: false,
        transparent: true,
        opacity: 0.9,
      }),
    )
    ball.name = name
    ball.renderOrder = 2
    ball.position.set(mirrored ? -at[0] : at[0], at[1], at[2])
    mesh?.add(ball)
    return ball
  })
  draw()
}
function aim(event: PointerEvent) {
  const box = renderer!.domElement.getBoundingClientRect()
  ray.setFromCamera(
    new Vector2(
      ((event.clientX - box.left) / box.width) * 2 - 1,
      1 - ((event.clientY - box.top) / box.height) * 2,
    ),
    camera,
  )
}
function grab(event: PointerEvent) {
  if (!renderer) return
  tap(event)
  if (fixed) return
  aim(event)
  held = (ray.intersectObjects(balls, false)[0]?.object as Mesh | undefined) ?? null
  if (held) controls!.enabled = false
}
function slide(event: PointerEvent) {
  if (!held || !(mesh instanceof Mesh)) return
  aim(event)
  const hit = ray.intersectObject(mesh, false)[0]
  if (!hit) return
  held.position.copy(mesh.worldToLocal(hit.point.clone()))
  draw()
}
function letGo() {
  if (!held) return
  const p: Vector3 = held.position
  emit('moved', held.name, [mirrored ? -p.x : p.x, p.y, p.z])
  held = null
  controls!.enabled = true
}
function key(event: KeyboardEvent) {
  const turn = {
    ArrowLeft: [-0.12, 0],
    ArrowRight: [0.12, 0],
    ArrowUp: [0, -0.08],
    ArrowDown: [0, 0.08],
  }[event.key]
  if (!turn || !controls) return
  event.preventDefault()
  const [a, b] = turn as [number, number]
  const p = camera.position
  const r = Math.hypot(p.x, p.z)
  const angle = Math.atan2(p.x, p.z) + a
  const total = p.length()
  const lift = Math.min(1.5, Math.max(-1.2, Math.asin(p.y / total) - b))
  p.set(
    Math.sin(angle) * total * Math.cos(lift),
    total * Math.sin(lift),
    Math.cos(angle) * total * Math.cos(lift),
  )
  if (r > 0) controls.update()
  draw()
}
onMounted(() => {
  try {
    renderer = new WebGLRenderer({ antialias: true })
  } catch {
    trouble.value = 'This browser cannot draw in 3D. The terrain and the files are not affected.'
    return
  }
  renderer.localClippingEnabled = true
  renderer.setPixelRatio(Math.min(2, window.devicePixelRatio))
  host.value!.append(renderer.domElement)
  scene.background = new Color('#FFFDF8')
  scene.add(new HemisphereLight('#ffffff', '#b7ad98', 1.6))
  const sun = new DirectionalLight('#ffffff', 2.2)
  sun.position.set(-160, 260, 120)
  scene.add(sun)
  const grid = new GridHelper(320, 32, '#938C7B', '#D9D2C3')
  grid.position.y = -0.3
  scene.add(grid)
  controls = new OrbitControls(camera, renderer.domElement)
  controls.enableDamping = false
  controls.addEventListener('change', draw)
  observer = new ResizeObserver(() => {
    const { clientWidth: w, clientHeight: h } = host.value!
    renderer!.setSize(w, h)
    camera.aspect = w / Math.max(1, h)
    camera.updateProjectionMatrix()
    draw()
  })
  observer.observe(host.value!)
  put()
})
watch(() => solid, put)
watch(() => marks, putMarks)
watch(() => shade, put)
watch(() => cutMm, cut)
watch(
  () => measuring,
  (on) => {
    ends = []
    ruler?.removeFromParent()
    ruler = null
    if (!on) emit('measured', null)
    draw()
  },
)
onBeforeUnmount(() => {
  observer?.disconnect()
  controls?.dispose()
  mesh?.geometry.dispose()
  renderer?.dispose()
})
</script>

<template>
  <div
    ref="host"
    class="solid"
    role="img"
    tabindex="0"
    :aria-label="`${label}. Arrow keys turn it.`"
    @keydown="key"
    @pointerdown.capture="grab"
    @pointermove="slide"
    @pointerup="letGo"
    @pointercancel="letGo"
  >
    <p v-if="trouble" class="muted">{{ trouble }}</p>
  </div>
</template>

<style scoped>
.solid {
  position: relative;
  width: 100%;
  height: 100%;
  min-height: 0;
  overflow: hidden;
}
.solid :deep(canvas) {
  position: absolute;
  inset: 0;
  display: block;
}
</style>
