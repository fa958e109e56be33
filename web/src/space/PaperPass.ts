import {
  Color,
  DataUtils,
  DepthTexture,
  type DirectionalLight,
  HalfFloatType,
  Matrix4,
  type PerspectiveCamera,
  type Scene,
  type Texture,
  ShaderMaterial,
  UnsignedIntType,
  Vector2,
  Vector3,
  Vector4,
  WebGLRenderTarget,
  type WebGLRenderer,
} from 'three'
import { FullScreenQuad } from 'three/addons/postprocessing/Pass.js'
import type { LightView } from '../api/client'
import { BANDS, MIDDLE } from '../light/meter'
import { AirPass, BEYOND_M } from './AirPass'
import { BloomPass } from './BloomPass'

/**
 * The paper look: heavy ink where one thing ends before another, a soft shade where surfaces meet. Both are read off the depth that was drawn:
 * depth in the buffer is affine over a plane, so what differs from the mean of two opposite neighbours is an edge or a crease, however steeply
 * a plane is seen. By a mood, the air lies over that, and the whole is brought to the screen.
 */
export class PaperPass {
  private readonly target: WebGLRenderTarget
  private readonly probe = new WebGLRenderTarget(1, 1, { type: HalfFloatType })
  private readonly quad: FullScreenQuad
  private readonly material: ShaderMaterial
  private readonly air: AirPass
  private readonly bloom = new BloomPass()

  constructor() {
    const depth = new DepthTexture(1, 1, UnsignedIntType)
    this.target = new WebGLRenderTarget(1, 1, { samples: 4, type: HalfFloatType, depthTexture: depth })
    this.air = new AirPass(depth)
    this.material = new ShaderMaterial({
      uniforms: {
        picture: { value: this.target.texture },
        depth: { value: depth },
        pixel: { value: new Vector2() },
        near: { value: 0.05 },
        far: { value: 5000 },
        /** Pixels that a metre takes at a distance of one metre. */
        focal: { value: 500 },
        line: { value: 1 },
        inked: { value: 1 },
        /** Whether the picture is of a mood, and whether sky is seen in it. */
        mood: { value: 0 },
        sky: { value: 0 },
        extinction: { value: 0 },
        airHeight: { value: 0 },
        haze: { value: new Color() },
        /** By what colours are multiplied so that white is white. */
        white: { value: new Color(1, 1, 1) },
        contrast: { value: 1 },
        saturation: { value: 1 },
        vignette: { value: 0 },
        grain: { value: 0 },
        bloom: { value: 0 },
        spread: { value: null as Texture | null },
        /** Whether the air was gone through step by step. */
        marched: { value: 0 },
        air: { value: null as Texture | null },
        /** Whether colours tell how bright it is. */
        banded: { value: 0 },
        bands: { value: BANDS.map((b) => new Color(b.colour)) },
        eye: { value: new Vector3() },
        /** The part of the picture that is drawn: where it begins, and how large it is. */
        window: { value: new Vector4(0, 0, 1, 1) },
        /** Whether light is given as it is, not brought to the screen; nothing where only the paper's ground is. */
        measured: { value: 0 },
        /** From clip space to metres of the site. */
        toSite: { value: new Matrix4() },
      },
      vertexShader: 'uniform vec4 window; varying vec2 at; void main() { at = window.xy + uv * window.zw; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `
        uniform sampler2D picture;
        uniform sampler2D depth;
        uniform vec2 pixel;
        uniform float near;
        uniform float far;
        uniform float focal;
        uniform float line;
        uniform float inked;
        uniform float mood;
        uniform float sky;
        uniform float extinction;
        uniform float airHeight;
        uniform vec3 haze;
        uniform vec3 white;
        uniform float contrast;
        uniform float saturation;
        uniform float vignette;
        uniform float grain;
        uniform float bloom;
        uniform sampler2D spread;
        uniform float marched;
        uniform sampler2D air;
        uniform float banded;
        uniform vec3 bands[${BANDS.length}];
        uniform float measured;
        uniform vec3 eye;
        uniform mat4 toSite;
        varying vec2 at;
        // Khronos PBR Neutral, as its specification has it.
        vec3 neutral(vec3 c) {
          float least = min(c.r, min(c.g, c.b));
          c -= least < 0.08 ? least - 6.25 * least * least : 0.04;
          float peak = max(c.r, max(c.g, c.b));
          if (peak < 0.76) return c;
          float pressed = 1.0 - 0.24 * 0.24 / (peak + 0.24 - 0.76);
          c *= pressed / peak;
          return mix(c, vec3(pressed), 1.0 - 1.0 / (0.15 * (peak - pressed) + 1.0));
        }
        // What the air takes on the way, thinner the higher (Beer and Lambert, integrated over a density that falls exponentially).
        float airOnTheWay(float here, float beyond) {
          vec4 p = toSite * vec4(at * 2.0 - 1.0, here * 2.0 - 1.0, 1.0);
          vec3 way = p.xyz / p.w - eye;
          float metres = beyond > 0.5 ? ${BEYOND_M.toFixed(1)} : length(way);
          float rise = normalize(way).z * metres;
          float thick = extinction * metres;
          if (airHeight > 0.0) {
            float over = rise / airHeight;
            float share = abs(over) < 0.001 ? 1.0 : (1.0 - exp(-clamp(over, -30.0, 30.0))) / clamp(over, -30.0, 30.0);
            thick *= min(1000.0, exp(-max(eye.z, 0.0) / airHeight) * share);
          }
          return 1.0 - exp(-thick);
        }
        float raw(vec2 offset) { return texture2D(depth, at + offset * pixel).x; }
        void main() {
          vec4 colour = texture2D(picture, at);
          float here = raw(vec2(0.0));
          float away = near * far / (far - here * (far - near));
          // From depths of the buffer to metres at this distance.
          float metres = away * away * (far - near) / (near * far);
          float edge = 0.0;
          for (int i = 0; i < 2; i++) {
            vec2 o = i == 0 ? vec2(line, 0.0) : vec2(0.0, line);
            edge = max(edge, ((raw(o) + raw(-o)) * 0.5 - here) * metres);
          }
          float shade = 0.0;
          // In finishes it lies deeper, and reaches farther.
          float turn = inked > 0.5 ? 0.0 : 6.283 * fract(52.9829189 * fract(dot(gl_FragCoord.xy, vec2(0.06711056, 0.00583715))));
          for (int ring = 1; ring <= 4; ring++) {
            if (ring == 4 && inked > 0.5) break;
            float reach = clamp((inked > 0.5 ? 0.16 : 0.13) * float(ring) * focal / away, 1.5, inked > 0.5 ? 60.0 : 130.0);
            for (int i = 0; i < 4; i++) {
              float angle = 0.785398 * (float(i) + 0.3 * float(ring)) + turn;
              vec2 o = vec2(cos(angle), sin(angle)) * reach;
              float deep = (here - (raw(o) + raw(-o)) * 0.5) * metres;
              shade += smoothstep(0.01, 0.16, deep) * (1.0 - smoothstep(0.25, 0.9, deep));
            }
          }
          float ground = step(0.9999999, here);
          colour.rgb *= 1.0 - (inked > 0.5 ? 0.32 * shade / 12.0 : 0.85 * shade / 16.0) * (1.0 - ground);
          if (mood > 0.5 && (ground < 0.5 || sky > 0.5)) {
            if (marched > 0.5) {
              vec2 aside = pixel * 1.5;
              vec4 a = 0.25 * (texture2D(air, at + aside) + texture2D(air, at - aside) + texture2D(air, at + vec2(aside.x, -aside.y)) + texture2D(air, at + vec2(-aside.x, aside.y)));
              colour.rgb = colour.rgb * a.a + a.rgb;
            } else if (extinction > 0.0) colour.rgb = mix(colour.rgb, haze, airOnTheWay(here, ground));
            if (measured > 0.5) {
              gl_FragColor = vec4(colour.rgb, 1.0);
              return;
            }
            float bright = dot(colour.rgb, vec3(0.2126, 0.7152, 0.0722));
            if (bloom > 0.0) colour.rgb += bloom * texture2D(spread, at).rgb;
            colour.rgb = ${MIDDLE} * pow(max(colour.rgb * white, 0.0) / ${MIDDLE}, vec3(contrast));
            colour.rgb = max(vec3(0.0), mix(vec3(dot(colour.rgb, vec3(0.2126, 0.7152, 0.0722))), colour.rgb, saturation));
            vec2 off = at - 0.5;
            colour.rgb *= 1.0 - vignette * smoothstep(0.1, 0.55, dot(off, off));
            colour.rgb = neutral(colour.rgb);
            // Most in the middle of what is neither black nor white.
            if (grain > 0.0) {
              float bit = fract(sin(dot(floor(gl_FragCoord.xy), vec2(12.9898, 78.233))) * 43758.5453) - 0.5;
              float tone = clamp(dot(colour.rgb, vec3(0.333)), 0.0, 1.0);
              colour.rgb = max(vec3(0.0), colour.rgb * (1.0 + grain * bit * (1.0 - tone)));
            }
            if (banded > 0.5) colour.rgb = bands[int(clamp(floor(log2(max(bright, 1e-9) / ${MIDDLE}) + 5.5), 0.0, ${(BANDS.length - 1).toFixed(1)}))];
          }
          if (measured > 0.5) {
            gl_FragColor = vec4(0.0);
            return;
          }
          float heavy = smoothstep(0.12 + 0.004 * away, 0.3 + 0.01 * away, edge) * (1.0 - ground);
          colour.rgb = mix(colour.rgb, vec3(0.016, 0.03, 0.045), 0.9 * heavy * inked);
          gl_FragColor = colour;
          #include <colorspace_fragment>
        }`,
      depthTest: false,
      depthWrite: false,
    })
    this.quad = new FullScreenQuad(this.material)
  }

  /** Whether silhouettes are drawn in ink. */
  set inked(on: boolean) {
    this.material.uniforms.inked!.value = on ? 1 : 0
  }

  /** @param light absent or even: as it was drawn. @param sky whether it is seen beyond the set. @param how without grading, or in colours of brightness. @param sun whose shadows are seen in the air */
  seeBy(light: LightView | undefined, sky: boolean, how: { graded: boolean; falseColour: boolean }, sun?: DirectionalLight) {
    const u = this.material.uniforms
    const isMood = !!light && !light.even
    u.mood!.value = isMood ? 1 : 0
    u.sky!.value = sky ? 1 : 0
    u.marched!.value = isMood && this.air.seeBy(light, sun) ? 1 : 0
    if (!isMood) return
    u.extinction!.value = light.extinction
    u.airHeight!.value = light.airHeightM
    ;(u.haze!.value as Color).setRGB(light.haze.r, light.haze.g, light.haze.b)
    if (how.graded) (u.white!.value as Color).setRGB(light.white.r, light.white.g, light.white.b)
    else (u.white!.value as Color).setRGB(1, 1, 1)
    u.contrast!.value = how.graded ? light.contrast / 100 : 1
    u.saturation!.value = how.graded ? light.saturation / 100 : 1
    u.vignette!.value = how.graded ? light.vignette / 100 : 0
    u.grain!.value = how.graded ? light.grain / 100 : 0
    u.bloom!.value = how.graded ? (1.6 * light.bloom) / 100 : 0
    u.banded!.value = how.falseColour ? 1 : 0
  }

  /**
   * How bright the picture is at a place, before it is graded and brought to the screen; nothing in even light, and where nothing is drawn.
   *
   * @param x from the left and @param y from the top, 0 to 1
   */
  brightness(renderer: WebGLRenderer, x: number, y: number): number | undefined {
    const { window, measured } = this.material.uniforms
    ;(window!.value as Vector4).set(x, 1 - y, 0, 0)
    measured!.value = 1
    renderer.setRenderTarget(this.probe)
    this.quad.render(renderer)
    renderer.setRenderTarget(null)
    ;(window!.value as Vector4).set(0, 0, 1, 1)
    measured!.value = 0
    const pixel = new Uint16Array(4)
    renderer.readRenderTargetPixels(this.probe, 0, 0, 1, 1, pixel)
    const [r, g, b, isDrawn] = [...pixel].map((v) => DataUtils.fromHalfFloat(v))
    return isDrawn ? 0.2126 * r! + 0.7152 * g! + 0.0722 * b! : undefined
  }

  resize(width: number, height: number, ratio: number) {
    this.target.setSize(Math.round(width * ratio), Math.round(height * ratio))
    ;(this.material.uniforms.pixel!.value as Vector2).set(1 / (width * ratio), 1 / (height * ratio))
    this.material.uniforms.line!.value = ratio
    this.air.resize(width * ratio, height * ratio)
    this.bloom.resize(width * ratio, height * ratio)
  }

  render(renderer: WebGLRenderer, scene: Scene, camera: PerspectiveCamera) {
    const u = this.material.uniforms
    u.near!.value = camera.near
    u.far!.value = camera.far
    u.focal!.value = this.target.height / 2 / Math.tan((camera.fov * Math.PI) / 360)
    renderer.setRenderTarget(this.target)
    renderer.clear()
    renderer.render(scene, camera)
    const { calls, triangles } = renderer.info.render
    renderer.setRenderTarget(null)
    ;(u.eye!.value as Vector3).setFromMatrixPosition(camera.matrixWorld)
    ;(u.toSite!.value as Matrix4).multiplyMatrices(camera.matrixWorld, camera.projectionMatrixInverse)
    if (u.marched!.value) this.air.render(renderer, camera)
    if (u.mood!.value && u.bloom!.value) this.bloom.render(renderer, this.target.texture)
    u.air!.value = this.air.texture
    u.spread!.value = this.bloom.texture
    this.quad.render(renderer)
    return { calls, triangles }
  }

  dispose() {
    this.target.dispose()
    this.probe.dispose()
    this.air.dispose()
    this.bloom.dispose()
    this.material.dispose()
    this.quad.dispose()
  }
}
