/** A compartment in the round, drawn with WebGL: walls, dividers, things; turned, pointed at, seen from a side. */
import {
  BoxGeometry,
  CanvasTexture,
  Color,
  CylinderGeometry,
  DirectionalLight,
  EdgesGeometry,
  Group,
  HemisphereLight,
  LineBasicMaterial,
  LineSegments,
  Mesh,
  MeshLambertMaterial,
  PerspectiveCamera,
  Raycaster,
  RepeatWrapping,
  Scene,
  SRGBColorSpace,
  Vector2,
  WebGLRenderer,
} from 'three'
import type { Placed, RoomUse } from '@/api/types'
import { walls } from './dividers'

/** Angles of the eye: around the drawing, and up. As in the plan, the bag lies with its front to the eye and its top to the
 * right; its left is up. */
export const SEEN_FROM = { above: [Math.PI / 2, 0], front: [0, 0], side: [0, 1.5] } as const
export type SeenFrom = keyof typeof SEEN_FROM

const TOKEN: Record<string, string> = { power: '--thing-power', cards: '--thing-cards' }
const AXES = ['x', 'y', 'z']
/** How many diagonals of the space the eye is away. */
const TURNED = 2
const STRAIGHT = 1.6
/** Millimetres of a thing that one tile of the hatching covers. */
const TILE_MM = 28

function token(name: string): Color {
  return new Color(getComputedStyle(document.documentElement).getPropertyValue(name).trim())
}

/** Slanting lines, so that what lies under something is told apart without its colour. */
function hatching(colour: Color, line: Color, size: readonly number[]): CanvasTexture {
  const canvas = document.createElement('canvas')
  canvas.width = canvas.height = 32
  const pen = canvas.getContext('2d')!
  pen.fillStyle = `#${colour.getHexString()}`
  pen.fillRect(0, 0, 32, 32)
  pen.strokeStyle = `#${line.getHexString()}`
  pen.lineWidth = 2.5
  pen.globalAlpha = 0.55
  for (const shift of [-32, -16, 0, 16, 32]) {
    pen.beginPath()
    pen.moveTo(shift, 32)
    pen.lineTo(shift + 32, 0)
    pen.stroke()
  }
  const made = new CanvasTexture(canvas)
  // Its colours are those of the page: taken for plain numbers they come out pale, and glare in red light.
  made.colorSpace = SRGBColorSpace
  made.wrapS = made.wrapT = RepeatWrapping
  const side = Math.max(...size)
  made.repeat.set(Math.max(1, Math.round(side / TILE_MM)), Math.max(1, Math.round(side / TILE_MM)))
  return made
}

export class Round {
  private readonly scene = new Scene()
  private readonly camera = new PerspectiveCamera(32, 1, 1, 10_000)
  private readonly rays = new Raycaster()
  private things = new Group()
  private meshes = new Map<string, { mesh: Mesh<BoxGeometry | CylinderGeometry, MeshLambertMaterial>; plain: Color; texture: CanvasTexture | null }>()
  private size: [number, number, number] = [1, 1, 1]
  private eye: { across: number; up: number } = { across: -0.6, up: 0.75 }
  /** Nearer where it is looked at straight on: then no corner turns out of the drawing. */
  private near = TURNED
  private shown: string | null = null
  private wide = 0
  private high = 0

  private constructor(private readonly renderer: WebGLRenderer) {
    this.scene.add(new HemisphereLight(0xffffff, 0x777777, 2.2))
    const sun = new DirectionalLight(0xffffff, 1.6)
    sun.position.set(300, 900, 700)
    this.scene.add(sun)
  }

  /** On an element, or nothing where the browser draws nothing in the round. */
  static on(element: HTMLElement): Round | null {
    try {
      const renderer = new WebGLRenderer({ antialias: true })
      renderer.domElement.setAttribute('aria-hidden', 'true')
      element.append(renderer.domElement)
      return new Round(renderer)
    } catch {
      return null
    }
  }

  build(room: RoomUse, placed: readonly Placed[], group: (block: Placed) => string, picked: string | null): void {
    this.clear()
    this.size = room.size_mm as [number, number, number]
    const [x, y, z] = this.size
    const line = token('--thing-line')
    const edge = new LineBasicMaterial({ color: line })
    // The room stands as a frame; y is down in the plan, and up here.
    this.things.add(new LineSegments(new EdgesGeometry(new BoxGeometry(x, y, z)), new LineBasicMaterial({ color: token('--mat-muted') })))
    const wall = new MeshLambertMaterial({ color: token('--mat-figure'), transparent: true, opacity: 0.45 })
    for (const w of walls(room, 1)) {
      const mesh = new Mesh(new BoxGeometry(Math.max(1, w.width), Math.max(1, w.height), z), wall)
      mesh.position.set(w.x + w.width / 2 - x / 2, y / 2 - w.y - w.height / 2, 0)
      this.things.add(mesh)
    }
    for (const p of placed) {
      const [dx, dy, dz] = p.size_mm as [number, number, number]
      const k = p.round ? AXES.indexOf(p.round) : 0
      const across = p.size_mm[(k + 1) % 3]! / 2
      const shape = p.round ? new CylinderGeometry(across, across, p.size_mm[k], 28) : new BoxGeometry(dx, dy, dz)
      const plain = token(TOKEN[group(p)] ?? '--thing')
      const texture = p.layer > 0 ? hatching(plain, line, p.size_mm) : null
      const mesh = new Mesh(shape, new MeshLambertMaterial(texture ? { map: texture } : { color: plain }))
      if (p.round === 'x') mesh.rotation.z = Math.PI / 2
      if (p.round === 'z') mesh.rotation.x = Math.PI / 2
      mesh.position.set(p.at_mm[0]! + dx / 2 - x / 2, y / 2 - p.at_mm[1]! - dy / 2, p.at_mm[2]! + dz / 2 - z / 2)
      mesh.add(new LineSegments(new EdgesGeometry(shape, 30), edge))
      mesh.userData.block = p.block
      this.meshes.set(p.block, { mesh, plain, texture })
      this.things.add(mesh)
    }
    this.scene.add(this.things)
    this.scene.background = token('--mat')
    this.shown = null
    this.show(picked)
  }

  /** Marks one thing out. */
  show(block: string | null): void {
    for (const name of new Set([this.shown, block])) {
      const one = name === null ? undefined : this.meshes.get(name)
      if (!one) continue
      const out = name === block
      one.mesh.material.map = out ? null : one.texture
      one.mesh.material.color = out ? token('--foot-over') : one.texture ? new Color(0xffffff) : one.plain
      one.mesh.material.needsUpdate = true
    }
    this.shown = block
    this.draw()
  }

  /** The thing at a spot of the drawing, in pixels. */
  at(x: number, y: number): string | null {
    if (!this.wide || !this.high) return null
    this.rays.setFromCamera(new Vector2((2 * x) / this.wide - 1, 1 - (2 * y) / this.high), this.camera)
    const hit = this.rays.intersectObjects([...this.meshes.values()].map((one) => one.mesh), false)[0]
    return hit ? (hit.object.userData.block as string) : null
  }

  turn(across: number, up: number): void {
    this.near = TURNED
    this.eye = { across: this.eye.across + across, up: Math.min(1.5, Math.max(-0.4, this.eye.up + up)) }
    this.draw()
  }

  look(from: SeenFrom): void {
    const [across, up] = SEEN_FROM[from]
    this.eye = { across, up }
    this.near = STRAIGHT
    this.draw()
  }

  resize(wide: number, high: number): void {
    this.wide = wide
    this.high = high
    this.draw()
  }

  dispose(): void {
    this.clear()
    this.renderer.dispose()
  }

  private clear(): void {
    this.scene.remove(this.things)
    for (const one of this.meshes.values()) {
      one.mesh.geometry.dispose()
      one.mesh.material.dispose()
      one.texture?.dispose()
    }
    this.meshes = new Map()
    this.things = new Group()
  }

  private draw(): void {
    if (!this.wide || !this.high) return
    // Wide as the drawing may be, all of the space is in it.
    const far = Math.hypot(...this.size) * this.near * Math.max(1, this.high / this.wide)
    const { across, up } = this.eye
    this.camera.aspect = this.wide / this.high
    this.camera.position.set(far * Math.cos(up) * Math.sin(across), far * Math.sin(up), far * Math.cos(up) * Math.cos(across))
    this.camera.lookAt(0, 0, 0)
    this.camera.updateProjectionMatrix()
    this.renderer.setSize(this.wide, this.high)
    this.renderer.render(this.scene, this.camera)
  }
}
