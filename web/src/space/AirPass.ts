import {
  Color,
  type DepthTexture,
  type DirectionalLight,
  HalfFloatType,
  Matrix4,
  type PerspectiveCamera,
  ShaderMaterial,
  type Texture,
  Vector3,
  WebGLRenderTarget,
  type WebGLRenderer,
} from 'three'
import { FullScreenQuad } from 'three/addons/postprocessing/Pass.js'
import type { LightView } from '../api/client'
import { fieldUniforms } from './LightField'

/** What is seen beyond everything is taken to be so far away, metres. */
export const BEYOND_M = 4000
/** It is drawn in so many times fewer pixels a side. */
const COARSER = 3
/** Places along the way of each pixel, nearer to each other near the eye. */
const STEPS = 24

/**
 * What the air gives and takes on the way to what is seen (Beer and Lambert, one scattering): lit by the light that bounces about the set where that
 * is known, by the sun where nothing shades it, thicker and thinner in patches.
 */
export class AirPass {
  private readonly target = new WebGLRenderTarget(1, 1, { type: HalfFloatType, depthBuffer: false })
  private readonly material: ShaderMaterial
  private readonly quad: FullScreenQuad
  private sun?: DirectionalLight

  constructor(depth: DepthTexture) {
    this.material = new ShaderMaterial({
      uniforms: {
        ...fieldUniforms,
        depth: { value: depth },
        eye: { value: new Vector3() },
        toSite: { value: new Matrix4() },
        extinction: { value: 0 },
        airHeight: { value: 0 },
        patchiness: { value: 0 },
        haze: { value: new Color() },
        airColour: { value: new Color() },
        sunLight: { value: new Color() },
        toSun: { value: new Vector3(0, 0, 1) },
        sunMap: { value: null as Texture | null },
        sunMatrix: { value: new Matrix4() },
      },
      vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `
        uniform sampler2D depth;
        uniform vec3 eye;
        uniform mat4 toSite;
        uniform float extinction;
        uniform float airHeight;
        uniform float patchiness;
        uniform vec3 haze;
        uniform vec3 airColour;
        uniform vec3 sunLight;
        uniform vec3 toSun;
        uniform float fieldOn;
        uniform highp sampler3D fieldRed;
        uniform highp sampler3D fieldGreen;
        uniform highp sampler3D fieldBlue;
        uniform vec3 fieldFrom;
        uniform vec3 fieldSize;
        uniform float fieldSpacing;
        uniform float fieldScale;
        #ifdef SUN
          uniform highp sampler2DShadow sunMap;
          uniform mat4 sunMatrix;
        #endif
        varying vec2 at;

        float corner(vec3 p) { p = fract(p * vec3(0.1031, 0.1130, 0.0973)); p += dot(p, p.yzx + 33.33); return fract((p.x + p.y) * p.z); }
        float cloud(vec3 p) {
          vec3 i = floor(p);
          vec3 f = fract(p);
          f = f * f * (3.0 - 2.0 * f);
          return mix(
            mix(mix(corner(i), corner(i + vec3(1, 0, 0)), f.x), mix(corner(i + vec3(0, 1, 0)), corner(i + vec3(1, 1, 0)), f.x), f.y),
            mix(mix(corner(i + vec3(0, 0, 1)), corner(i + vec3(1, 0, 1)), f.x), mix(corner(i + vec3(0, 1, 1)), corner(i + vec3(1, 1, 1)), f.x), f.y),
            f.z);
        }
        // What light there is on the mean from all sides.
        vec3 around(vec3 p) {
          vec3 g = (p - fieldFrom) / fieldSpacing;
          if (fieldOn < 0.5 || any(lessThan(g, vec3(-0.5))) || any(greaterThan(g, fieldSize - 0.5))) return haze;
          vec3 uvw = (g + 0.5) / fieldSize;
          return airColour * fieldScale / 3.14159265 * vec3(texture(fieldRed, uvw).x, texture(fieldGreen, uvw).x, texture(fieldBlue, uvw).x);
        }
        float sunAt(vec3 p) {
          #ifdef SUN
            vec4 c = sunMatrix * vec4(p, 1.0);
            if (any(lessThan(c.xyz, vec3(0.0))) || any(greaterThan(c.xyz, vec3(1.0)))) return 1.0;
            return texture(sunMap, vec3(c.xy, c.z - 0.001));
          #else
            return 1.0;
          #endif
        }
        void main() {
          float here = texture2D(depth, at).x;
          vec4 p = toSite * vec4(at * 2.0 - 1.0, here * 2.0 - 1.0, 1.0);
          vec3 way = p.xyz / p.w - eye;
          float far = here > 0.9999999 ? ${BEYOND_M.toFixed(1)} : min(length(way), ${BEYOND_M.toFixed(1)});
          way = normalize(way);
          // Forward more than back, as dust and mist do (L. Henyey, J. Greenstein, 1941).
          const float g = 0.5;
          float cosine = dot(way, toSun);
          float forward = (1.0 - g * g) / (12.566371 * pow(1.0 + g * g - 2.0 * g * cosine, 1.5));
          float turn = fract(52.9829189 * fract(dot(gl_FragCoord.xy, vec2(0.06711056, 0.00583715))));
          vec3 given = vec3(0.0);
          float left = 1.0;
          float was = 0.0;
          for (int i = 0; i < ${STEPS}; i++) {
            float next = (float(i) + 1.0) / ${STEPS.toFixed(1)};
            next = far * next * next;
            float piece = next - was;
            vec3 there = eye + way * (was + piece * turn);
            float dense = extinction;
            if (airHeight > 0.0) dense *= exp(-max(there.z, 0.0) / airHeight);
            if (patchiness > 0.0) {
              float thick = 0.65 * cloud(there * 0.35 + 31.0) + 0.35 * cloud(there * 1.1 + 7.0);
              dense *= max(0.0, 1.0 + patchiness * 3.0 * (thick - 0.5));
            }
            float taken = 1.0 - exp(-dense * piece);
            vec3 source = around(there);
            if (sunLight.r + sunLight.g + sunLight.b > 0.0) source += sunLight * airColour * forward * sunAt(there);
            given += left * taken * source;
            left *= 1.0 - taken;
            was = next;
          }
          gl_FragColor = vec4(given, left);
        }`,
      depthTest: false,
      depthWrite: false,
    })
    this.quad = new FullScreenQuad(this.material)
  }

  get texture(): Texture {
    return this.target.texture
  }

  /** @returns whether the air is more than the same haze everywhere */
  seeBy(light: LightView, sun: DirectionalLight | undefined): boolean {
    const u = this.material.uniforms
    this.sun = sun
    const first = light.beams[0]
    u.extinction!.value = light.extinction
    u.airHeight!.value = light.airHeightM
    u.patchiness!.value = light.patchiness / 100
    ;(u.haze!.value as Color).setRGB(light.haze.r, light.haze.g, light.haze.b)
    ;(u.airColour!.value as Color).setRGB(light.airColour.r, light.airColour.g, light.airColour.b)
    const strength = light.shafts / 100
    ;(u.sunLight!.value as Color).setRGB((first?.light.r ?? 0) * strength, (first?.light.g ?? 0) * strength, (first?.light.b ?? 0) * strength)
    if (first) (u.toSun!.value as Vector3).set(first.toward.x, first.toward.y, first.toward.z)
    return light.extinction > 0 && (light.patchiness > 0 || (light.shafts > 0 && !!first) || fieldUniforms.fieldOn.value > 0)
  }

  resize(width: number, height: number) {
    this.target.setSize(Math.max(1, Math.round(width / COARSER)), Math.max(1, Math.round(height / COARSER)))
  }

  render(renderer: WebGLRenderer, camera: PerspectiveCamera) {
    const u = this.material.uniforms
    const map = this.sun?.shadow.map?.depthTexture ?? null
    if (!!map !== 'SUN' in this.material.defines) {
      if (map) this.material.defines.SUN = ''
      else delete this.material.defines.SUN
      this.material.needsUpdate = true
    }
    u.sunMap!.value = map
    if (map) (u.sunMatrix!.value as Matrix4).copy(this.sun!.shadow.matrix)
    ;(u.eye!.value as Vector3).setFromMatrixPosition(camera.matrixWorld)
    ;(u.toSite!.value as Matrix4).multiplyMatrices(camera.matrixWorld, camera.projectionMatrixInverse)
    renderer.setRenderTarget(this.target)
    this.quad.render(renderer)
    renderer.setRenderTarget(null)
  }

  dispose() {
    this.target.dispose()
    this.material.dispose()
    this.quad.dispose()
  }
}
