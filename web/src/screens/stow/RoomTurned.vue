<script setup lang="ts">
/** The compartment in the round: drag or use the arrow keys to turn it. Software WebGL is enough for it. */
import { useElementSize } from '@vueuse/core'
import { BoxGeometry, Color, CylinderGeometry, DirectionalLight, EdgesGeometry, Group, HemisphereLight, LineBasicMaterial, LineSegments, Mesh, MeshLambertMaterial, PerspectiveCamera, Scene, WebGLRenderer } from 'three'
import { onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { Placed, RoomUse } from '@/api/types'

const props = defineProps<{ room: RoomUse; placed: Placed[]; picked: string | null; group: (block: Placed) => string }>()
const box = ref<HTMLElement | null>(null)
const { width, height } = useElementSize(box)
const unavailable = ref(false)
const turn = ref({ across: -0.6, up: 0.75 })
const TOKEN: Record<string, string> = { power: '--thing-power', cards: '--thing-cards' }
const STEP = 0.12
const AXES = ['x', 'y', 'z']

let renderer: WebGLRenderer | null = null
const scene = new Scene()
const camera = new PerspectiveCamera(32, 1, 1, 10_000)
let things = new Group()

function token(name: string): Color {
  return new Color(getComputedStyle(document.documentElement).getPropertyValue(name).trim())
}
function build(): void {
  scene.remove(things)
  things = new Group()
  const [x, y, z] = props.room.size_mm as [number, number, number]
  const edge = new LineBasicMaterial({ color: token('--thing-line') })
  // The room stands as a frame; y is down in the plan, and up here.
  const frame = new LineSegments(new EdgesGeometry(new BoxGeometry(x, y, z)), new LineBasicMaterial({ color: token('--mat-muted') }))
  things.add(frame)
  for (const p of props.placed) {
    const [dx, dy, dz] = p.size_mm as [number, number, number]
    const k = p.round ? AXES.indexOf(p.round) : 0
    const across = p.size_mm[(k + 1) % 3]! / 2
    const shape = p.round ? new CylinderGeometry(across, across, p.size_mm[k], 28) : new BoxGeometry(dx, dy, dz)
    const colour = token(p.block === props.picked ? '--foot-over' : (TOKEN[props.group(p)] ?? '--thing'))
    const mesh = new Mesh(shape, new MeshLambertMaterial({ color: colour }))
    if (p.round === 'x') mesh.rotation.z = Math.PI / 2
    if (p.round === 'z') mesh.rotation.x = Math.PI / 2
    mesh.position.set(p.at_mm[0]! + dx / 2 - x / 2, y / 2 - p.at_mm[1]! - dy / 2, p.at_mm[2]! + dz / 2 - z / 2)
    mesh.add(new LineSegments(new EdgesGeometry(shape, 30), edge))
    things.add(mesh)
  }
  scene.add(things)
  scene.background = token('--mat')
  draw()
}
function draw(): void {
  if (!renderer || !width.value || !height.value) return
  const [x, y, z] = props.room.size_mm as [number, number, number]
  const far = Math.hypot(x, y, z) * 2
  const { across, up } = turn.value
  camera.aspect = width.value / height.value
  camera.position.set(far * Math.cos(up) * Math.sin(across), far * Math.sin(up), far * Math.cos(up) * Math.cos(across))
  camera.lookAt(0, 0, 0)
  camera.updateProjectionMatrix()
  renderer.setSize(width.value, height.value)
  renderer.render(scene, camera)
}
function by(across: number, up: number): void {
  turn.value = { across: turn.value.across + across, up: Math.min(1.5, Math.max(-0.4, turn.value.up + up)) }
}
function drag(event: PointerEvent): void {
  if (event.buttons & 1) by(-event.movementX / 120, event.movementY / 120)
}
const KEYS: Record<string, [number, number]> = { ArrowLeft: [-STEP, 0], ArrowRight: [STEP, 0], ArrowUp: [0, STEP], ArrowDown: [0, -STEP] }
function key(event: KeyboardEvent): void {
  const step = KEYS[event.key]
  if (!step) return
  by(...step)
  event.preventDefault()
}
onMounted(() => {
  try {
    renderer = new WebGLRenderer({ antialias: true })
  } catch {
    unavailable.value = true
    return
  }
  renderer.domElement.setAttribute('aria-hidden', 'true')
  box.value?.append(renderer.domElement)
  scene.add(new HemisphereLight(0xffffff, 0x777777, 2.2))
  const sun = new DirectionalLight(0xffffff, 1.6)
  sun.position.set(300, 900, 700)
  scene.add(sun)
  build()
})
watch(() => [props.room, props.placed, props.picked], build)
watch([turn, width, height], draw)
onBeforeUnmount(() => renderer?.dispose())
</script>

<template>
  <div ref="box" class="turned" tabindex="0" role="img" :aria-label="`${room.name} in the round; drag or use the arrow keys to turn it`" @pointermove="drag" @keydown="key">
    <p v-if="unavailable" class="quiet">This browser draws nothing in the round here. Plan and section show the same.</p>
  </div>
</template>

<style scoped>
.turned {
  flex: 1;
  min-height: 0;
  min-width: 0;
  overflow: hidden;
  cursor: grab;
  border-radius: 5px;
}
p {
  padding: 12px;
}
</style>
