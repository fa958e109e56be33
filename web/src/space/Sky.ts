import { BackSide, Color, Mesh, ShaderMaterial, SphereGeometry, Vector3 } from 'three'
import type { Sun } from './Daylight'

/** So far that nothing of a set lies beyond it, metres; within what the camera sees. */
const RADIUS = 4000

/** What is seen through windows and doors by someone inside: sky above the horizon, ground below it. It gives no light. */
export class Sky {
  readonly mesh: Mesh
  private readonly material: ShaderMaterial

  constructor() {
    this.material = new ShaderMaterial({
      side: BackSide,
      depthWrite: false,
      uniforms: {
        zenith: { value: new Color('#8fb3d1') },
        horizon: { value: new Color('#dfe8ea') },
        ground: { value: new Color('#a59d8d') },
        light: { value: 1 },
        sun: { value: new Vector3(0, 0, -1) },
      },
      vertexShader: `
        varying vec3 way;
        void main() {
          way = position;
          gl_Position = projectionMatrix * modelViewMatrix * vec4(position, 1.0);
        }`,
      fragmentShader: `
        uniform vec3 zenith;
        uniform vec3 horizon;
        uniform vec3 ground;
        uniform float light;
        uniform vec3 sun;
        varying vec3 way;
        void main() {
          vec3 to = normalize(way);
          vec3 above = mix(horizon, zenith, pow(max(to.z, 0.0), 0.55));
          above += sun.z > 0.0 ? vec3(1.0, 0.93, 0.8) * 0.5 * pow(max(dot(to, sun), 0.0), 24.0) : vec3(0.0);
          vec3 below = mix(horizon, ground, smoothstep(0.0, 0.12, -to.z));
          gl_FragColor = vec4((to.z > 0.0 ? above : below) * light, 1.0);
        }`,
    })
    this.mesh = new Mesh(new SphereGeometry(RADIUS, 48, 24), this.material)
    this.mesh.frustumCulled = false
    this.mesh.renderOrder = -1
    this.mesh.visible = false
  }

  /** @param sun absent: even light, a bright sky without a sun */
  show(on: boolean, sun: Sun | undefined) {
    this.mesh.visible = on
    const u = this.material.uniforms
    ;(u.sun!.value as Vector3).set(sun?.x ?? 0, sun?.y ?? 0, sun?.z ?? -1).normalize()
    // Dusk from six degrees above the horizon to six below it, common practice, no source.
    u.light!.value = sun ? Math.max(0.06, Math.min(1, (sun.z + 0.105) / 0.21)) : 1
  }

  dispose() {
    this.mesh.geometry.dispose()
    this.material.dispose()
  }
}
