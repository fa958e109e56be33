import {
  BackSide,
  ClampToEdgeWrapping,
  Color,
  DataTexture,
  DataUtils,
  HalfFloatType,
  LinearFilter,
  Mesh,
  RepeatWrapping,
  RGBAFormat,
  Scene,
  ShaderMaterial,
  SphereGeometry,
  Vector3,
} from 'three'
import type { LightView } from '../api/client'

/** So far that nothing of a set lies beyond it, metres; within what the camera sees. */
const RADIUS = 4000
/** A sun is no brighter in the picture than this, of a white of 1. */
const BRIGHTEST = 30

/** What is seen of an even light through windows and doors: rows from the horizon to the zenith. */
const PLAIN = { zenith: new Color('#8fb3d1'), horizon: new Color('#dfe8ea'), ground: new Color('#a59d8d'), rows: 16 }

/** What is seen beyond a set: sky above the horizon, ground below it. */
export class Sky {
  readonly mesh: Mesh
  private readonly material: ShaderMaterial
  private light?: LightView
  private isLaid = false

  constructor() {
    this.material = new ShaderMaterial({
      side: BackSide,
      depthWrite: false,
      uniforms: {
        dome: { value: null },
        rows: { value: PLAIN.rows },
        ground: { value: new Color() },
        sun: { value: new Vector3(0, 0, -1) },
        disc: { value: new Color(0, 0, 0) },
        /** Cosine of half of how large the sun looks. */
        within: { value: 2 },
      },
      vertexShader: `
        varying vec3 way;
        void main() {
          way = position;
          gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
        }`,
      fragmentShader: `
        uniform sampler2D dome;
        uniform float rows;
        uniform vec3 ground;
        uniform vec3 sun;
        uniform vec3 disc;
        uniform float within;
        varying vec3 way;
        void main() {
          vec3 to = normalize(way);
          float up = asin(clamp(to.z, 0.0, 1.0)) / 1.5707963;
          float around = atan(to.y, to.x) / 6.2831853;
          vec3 above = texture2D(dome, vec2(around, (up * (rows - 1.0) + 0.5) / rows)).rgb;
          above += disc * smoothstep(within - 0.00001, within, dot(to, sun));
          gl_FragColor = vec4(mix(ground, above, smoothstep(-0.012, 0.004, to.z)), 1.0);
        }`,
    })
    this.mesh = new Mesh(new SphereGeometry(RADIUS, 48, 24), this.material)
    this.mesh.frustumCulled = false
    this.mesh.renderOrder = -1
    this.mesh.visible = false
  }

  /** @param light absent or even: a bright sky without a sun */
  show(on: boolean, light: LightView | undefined) {
    this.mesh.visible = on
    if (this.isLaid && light === this.light) return
    this.light = light
    this.isLaid = true
    const u = this.material.uniforms
    const isMood = !!light && !light.even
    ;(u.dome!.value as DataTexture | null)?.dispose()
    u.dome!.value = isMood ? domeOf(light.dome, light.domeAround, light.domeUp) : domeOf(plain(), 1, PLAIN.rows)
    u.rows!.value = isMood ? light.domeUp : PLAIN.rows
    const ground = u.ground!.value as Color
    if (isMood) ground.setRGB(light.ground.r, light.ground.g, light.ground.b)
    else ground.copy(PLAIN.ground)
    const first = isMood && light.beams.length === 1 ? light.beams[0]! : undefined
    const { x, y, z } = first?.toward ?? { x: 0, y: 0, z: -1 }
    ;(u.sun!.value as Vector3).set(x, y, z)
    const half = ((light?.sunDegrees ?? 0) / 2) * (Math.PI / 180)
    u.within!.value = first ? Math.cos(half) : 2
    const bright = first ? Math.min(BRIGHTEST, 1 / Math.max(1e-6, Math.PI * half * half)) : 0
    ;(u.disc!.value as Color).setRGB((first?.light.r ?? 0) * bright, (first?.light.g ?? 0) * bright, (first?.light.b ?? 0) * bright)
  }

  /** The sky without its sun, which lights by itself. */
  alone(light: LightView): Scene {
    this.show(this.mesh.visible, light)
    const material = this.material.clone()
    material.uniforms.dome!.value = this.material.uniforms.dome!.value
    ;(material.uniforms.disc!.value as Color).setRGB(0, 0, 0)
    return new Scene().add(new Mesh(this.mesh.geometry, material))
  }

  dispose() {
    ;(this.material.uniforms.dome!.value as DataTexture | null)?.dispose()
    this.mesh.geometry.dispose()
    this.material.dispose()
  }
}

function plain(): number[] {
  return Array.from({ length: PLAIN.rows }, (_, row) => {
    const up = Math.sin((row / (PLAIN.rows - 1)) * (Math.PI / 2)) ** 0.55
    return PLAIN.horizon.clone().lerp(PLAIN.zenith, up).toArray()
  }).flat()
}

/** @param colours red, green and blue in rows from the horizon up */
function domeOf(colours: readonly number[], around: number, up: number): DataTexture {
  const one = DataUtils.toHalfFloat(1)
  const data = new Uint16Array(around * up * 4)
  for (let i = 0; i < around * up; i++) {
    for (let c = 0; c < 3; c++) data[i * 4 + c] = DataUtils.toHalfFloat(Math.min(60_000, colours[i * 3 + c]!))
    data[i * 4 + 3] = one
  }
  const texture = new DataTexture(data, around, up, RGBAFormat, HalfFloatType)
  texture.wrapS = RepeatWrapping
  texture.wrapT = ClampToEdgeWrapping
  texture.magFilter = texture.minFilter = LinearFilter
  texture.needsUpdate = true
  return texture
}
