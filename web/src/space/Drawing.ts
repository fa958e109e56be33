import {
  type DirectionalLight,
  Frustum,
  InstancedMesh,
  LineSegments,
  type Material,
  Matrix4,
  Mesh,
  PCFShadowMap,
  type PerspectiveCamera,
  type Scene,
  type Texture,
  WebGLRenderer,
} from 'three'
import type { LightView } from '../api/client'
import { isCounting } from '../shapes/counting'
import { outdoors } from './Daylight'
import { PaperPass } from './PaperPass'

/** What a picture took: draw calls, and triangles with those of instances. */
export interface Drawn {
  calls: number
  triangles: number
}

/** @property clips whether materials are cut by their own planes */
interface Wanted {
  antialias?: boolean
  clips?: boolean
  shadows?: boolean
}

/** Draws scenes into a canvas of its own. What it holds on the graphics card goes with `dispose`. */
export interface Drawing {
  readonly canvas: HTMLCanvasElement
  /** In pixels of the page. */
  resize(width: number, height: number): void
  /** @param paper whether with heavy silhouettes and a soft shade where surfaces meet, or as it is */
  render(scene: Scene, camera: PerspectiveCamera, paper: boolean): Drawn
  /** Whether silhouettes are drawn in ink. */
  inked: boolean
  /** Shadows are cast anew with the next picture. */
  castAnew(): void
  /** What polished surfaces mirror: a sky, or a plain room of daylight. */
  outside(sky?: Scene): Texture | null
  /** The light that the picture is of: how it is exposed, and what the air takes. @param sky whether it is seen beyond the set */
  seeBy(light: LightView | undefined, sky: boolean, how: { graded: boolean; falseColour: boolean }, sun?: DirectionalLight): void
  /** How bright the set was drawn at a pixel, as parts of width and height from the upper left; absent where nothing is drawn. */
  brightness(x: number, y: number): number | undefined
  dispose(): void
}

/** By the graphics card. */
class CardDrawing implements Drawing {
  private readonly renderer: WebGLRenderer
  private readonly pass = new PaperPass()
  readonly canvas: HTMLCanvasElement

  constructor({ antialias = false, clips = false, shadows = false }: Wanted) {
    this.renderer = new WebGLRenderer({ antialias, preserveDrawingBuffer: true })
    this.canvas = this.renderer.domElement
    this.renderer.localClippingEnabled = clips
    this.renderer.setPixelRatio(window.devicePixelRatio)
    this.renderer.shadowMap.enabled = shadows
    this.renderer.shadowMap.type = PCFShadowMap
    this.renderer.shadowMap.autoUpdate = false
  }

  resize(width: number, height: number) {
    this.renderer.setSize(width, height)
    this.pass.resize(width, height, this.renderer.getPixelRatio())
  }

  render(scene: Scene, camera: PerspectiveCamera, paper: boolean): Drawn {
    if (paper) return this.pass.render(this.renderer, scene, camera)
    this.renderer.render(scene, camera)
    const { calls, triangles } = this.renderer.info.render
    return { calls, triangles }
  }

  set inked(on: boolean) {
    this.pass.inked = on
  }

  castAnew() {
    this.renderer.shadowMap.needsUpdate = true
  }

  outside(sky?: Scene) {
    return outdoors(this.renderer, sky)
  }

  seeBy(light: LightView | undefined, sky: boolean, how: { graded: boolean; falseColour: boolean }, sun?: DirectionalLight) {
    this.pass.seeBy(light, sky, how, sun)
  }

  brightness(x: number, y: number) {
    return this.pass.brightness(this.renderer, x, y)
  }

  dispose() {
    this.pass.dispose()
    this.renderer.dispose()
    // All that is left of it on the graphics card goes now, not when the canvas is collected: a browser keeps sixteen contexts at most.
    this.renderer.forceContextLoss()
    this.canvas.remove()
  }
}

const isSeen = (material: Material | Material[]) => (Array.isArray(material) ? material.some((m) => m.visible) : material.visible)

/** Draws nothing, and counts what would be drawn: what the camera's frustum meets, as three.js culls it. */
export class CountingDrawing implements Drawing {
  readonly canvas = document.createElement('canvas')
  inked = true
  private readonly frustum = new Frustum()
  private readonly projection = new Matrix4()

  resize(width: number, height: number) {
    this.canvas.style.width = `${width}px`
    this.canvas.style.height = `${height}px`
  }

  render(scene: Scene, camera: PerspectiveCamera): Drawn {
    scene.updateMatrixWorld()
    camera.updateMatrixWorld()
    this.frustum.setFromProjectionMatrix(this.projection.multiplyMatrices(camera.projectionMatrix, camera.matrixWorldInverse))
    const drawn = { calls: 0, triangles: 0 }
    scene.traverseVisible((object) => {
      if (!(object instanceof Mesh || object instanceof LineSegments) || !object.layers.test(camera.layers) || !isSeen(object.material)) return
      if (object.frustumCulled && !this.frustum.intersectsObject(object)) return
      const { index, attributes, drawRange, groups } = object.geometry
      const all = index?.count ?? attributes.position?.count ?? 0
      const count = Math.max(0, Math.min(all, drawRange.start + drawRange.count) - drawRange.start)
      const instances = object instanceof InstancedMesh ? object.count : 1
      if (!count || !instances) return
      drawn.calls += Array.isArray(object.material) ? groups.length : 1
      if (object instanceof Mesh) drawn.triangles += (count / 3) * instances
    })
    return drawn
  }

  castAnew() {}

  seeBy() {}

  brightness() {
    return undefined
  }

  outside() {
    return null
  }

  dispose() {
    this.canvas.remove()
  }
}

export const newDrawing = (wanted: Wanted): Drawing => (isCounting() ? new CountingDrawing() : new CardDrawing(wanted))
