import { HalfFloatType, ShaderMaterial, type Texture, Vector2, WebGLRenderTarget, type WebGLRenderer } from 'three'
import { FullScreenQuad } from 'three/addons/postprocessing/Pass.js'

/** It is drawn in so many times fewer pixels a side. */
const COARSER = 4
/** What is brighter than this, of a white of 1, spreads. */
const FROM = 1.0
/** By so many of its own pixels, one blur after the other. */
const SPREADS = [1, 2.5, 6]

/** What is very bright spreads over what is beside it, as in a lens or an eye. */
export class BloomPass {
  private readonly targets = [0, 1].map(() => new WebGLRenderTarget(1, 1, { type: HalfFloatType, depthBuffer: false }))
  private readonly bright = shader(`
    uniform sampler2D picture;
    varying vec2 at;
    void main() {
      vec3 c = texture2D(picture, at).rgb;
      float most = max(c.r, max(c.g, c.b));
      // A sun is no more than a lamp is, and keeps its colour.
      gl_FragColor = vec4(c / max(most, 1e-4) * clamp(most - ${FROM.toFixed(1)}, 0.0, 8.0), 1.0);
    }`)
  private readonly blur = shader(`
    uniform sampler2D picture;
    uniform vec2 by;
    varying vec2 at;
    void main() {
      vec3 sum = 0.204164 * texture2D(picture, at).rgb;
      sum += 0.304005 * (texture2D(picture, at + 1.407333 * by).rgb + texture2D(picture, at - 1.407333 * by).rgb);
      sum += 0.093913 * (texture2D(picture, at + 3.294215 * by).rgb + texture2D(picture, at - 3.294215 * by).rgb);
      gl_FragColor = vec4(sum, 1.0);
    }`)
  private readonly quad = new FullScreenQuad(this.bright)
  private readonly pixel = new Vector2()

  resize(width: number, height: number) {
    const [w, h] = [Math.max(1, Math.round(width / COARSER)), Math.max(1, Math.round(height / COARSER))]
    for (const t of this.targets) t.setSize(w, h)
    this.pixel.set(1 / w, 1 / h)
  }

  get texture(): Texture {
    return this.targets[0]!.texture
  }

  render(renderer: WebGLRenderer, picture: Texture) {
    const [a, b] = this.targets as [WebGLRenderTarget, WebGLRenderTarget]
    this.draw(renderer, this.bright, picture, a)
    for (const spread of SPREADS) {
      this.blur.uniforms.by!.value = new Vector2(this.pixel.x * spread, 0)
      this.draw(renderer, this.blur, a.texture, b)
      this.blur.uniforms.by!.value = new Vector2(0, this.pixel.y * spread)
      this.draw(renderer, this.blur, b.texture, a)
    }
    renderer.setRenderTarget(null)
  }

  private draw(renderer: WebGLRenderer, material: ShaderMaterial, from: Texture, to: WebGLRenderTarget) {
    material.uniforms.picture!.value = from
    this.quad.material = material
    renderer.setRenderTarget(to)
    this.quad.render(renderer)
  }

  dispose() {
    for (const t of this.targets) t.dispose()
    this.bright.dispose()
    this.blur.dispose()
    this.quad.dispose()
  }
}

function shader(fragmentShader: string) {
  return new ShaderMaterial({
    uniforms: { picture: { value: null as Texture | null }, by: { value: new Vector2() } },
    vertexShader: 'varying vec2 at; void main() { at = uv; gl_Position = vec4(position.xy, 0.0, 1.0); }',
    fragmentShader,
    depthTest: false,
    depthWrite: false,
  })
}
