import {
  DepthTexture,
  HalfFloatType,
  type PerspectiveCamera,
  type Scene,
  ShaderMaterial,
  UnsignedIntType,
  Vector2,
  WebGLRenderTarget,
  type WebGLRenderer,
} from 'three'
import { FullScreenQuad } from 'three/addons/postprocessing/Pass.js'

/**
 * The paper look: heavy ink where one thing ends before another, a soft shade where surfaces meet. Both are read off the depth that was drawn:
 * depth in the buffer is affine over a plane, so what differs from the mean of two opposite neighbours is an edge or a crease, however steeply
 * a plane is seen.
 */
export class PaperPass {
  private readonly target: WebGLRenderTarget
  private readonly quad: FullScreenQuad
  private readonly material: ShaderMaterial

  constructor() {
    const depth = new DepthTexture(1, 1, UnsignedIntType)
    this.target = new WebGLRenderTarget(1, 1, { samples: 4, type: HalfFloatType, depthTexture: depth })
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
      },
      vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
      fragmentShader: `
        uniform sampler2D picture;
        uniform sampler2D depth;
        uniform vec2 pixel;
        uniform float near;
        uniform float far;
        uniform float focal;
        uniform float line;
        uniform float inked;
        varying vec2 at;
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

  resize(width: number, height: number, ratio: number) {
    this.target.setSize(Math.round(width * ratio), Math.round(height * ratio))
    ;(this.material.uniforms.pixel!.value as Vector2).set(1 / (width * ratio), 1 / (height * ratio))
    this.material.uniforms.line!.value = ratio
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
    this.quad.render(renderer)
    return { calls, triangles }
  }

  dispose() {
    this.target.dispose()
    this.material.dispose()
    this.quad.dispose()
  }
}
