import type { MeshStandardMaterial, Texture, WebGLProgramParametersWithUniforms } from 'three'

/** What wears: how much of each placement from 0 to 1, and how much of that at its foot. */
export const WORN = 'worn'

/**
 * Draws wear where a mask says: edges lose their colour and feet get dirty, the more the further, raggedly by the place in the set, so that
 * it goes on over joints. The mask lies on the second UVs.
 */
export function wearOff(material: MeshStandardMaterial, mask: Texture) {
  const before = material.onBeforeCompile.bind(material)
  material.onBeforeCompile = (shader: WebGLProgramParametersWithUniforms, renderer) => {
    before(shader, renderer)
    shader.uniforms.wearMask = { value: mask }
    shader.vertexShader =
      `attribute vec2 ${WORN};\nattribute vec2 uv1;\nvarying vec2 vWorn;\nvarying vec2 vWearUv;\nvarying vec3 vWearAt;\n${shader.vertexShader}`.replace(
        '#include <begin_vertex>',
        `#include <begin_vertex>
        vWorn = ${WORN};
        vWearUv = uv1;
        #ifdef USE_INSTANCING
          vWearAt = (instanceMatrix * vec4(position, 1.0)).xyz;
        #else
          vWearAt = position;
        #endif`,
      )
    shader.fragmentShader = `${RAGGED}\n${shader.fragmentShader}`
      .replace('#include <map_fragment>', `#include <map_fragment>\n${RUBBED}`)
      .replace('#include <roughnessmap_fragment>', '#include <roughnessmap_fragment>\n  roughnessFactor = mix(roughnessFactor, 0.92, max(rubbed, soiled));')
  }
  material.customProgramCacheKey = () => 'worn'
}

const RAGGED = `
uniform sampler2D wearMask;
varying vec2 vWorn;
varying vec2 vWearUv;
varying vec3 vWearAt;
float wearHash(vec3 p) {
  return fract(sin(dot(p, vec3(12.9898, 78.233, 37.719))) * 43758.5453);
}
float wearNoise(vec3 p) {
  vec3 i = floor(p);
  vec3 f = fract(p);
  f = f * f * (3.0 - 2.0 * f);
  return mix(
    mix(mix(wearHash(i), wearHash(i + vec3(1, 0, 0)), f.x), mix(wearHash(i + vec3(0, 1, 0)), wearHash(i + vec3(1, 1, 0)), f.x), f.y),
    mix(mix(wearHash(i + vec3(0, 0, 1)), wearHash(i + vec3(1, 0, 1)), f.x), mix(wearHash(i + vec3(0, 1, 1)), wearHash(i + vec3(1, 1, 1)), f.x), f.y),
    f.z);
}`

const RUBBED = `
  vec3 wearsFirst = texture2D(wearMask, vWearUv).rgb;
  float ragged = 0.6 * wearNoise(vWearAt * 6.0) + 0.4 * wearNoise(vWearAt * 27.0) - 0.5;
  float rubbed = vWorn.x > 0.0 ? 0.85 * smoothstep(0.0, 0.2, wearsFirst.r - 1.0 + vWorn.x + 0.7 * ragged) : 0.0;
  float soiled = vWorn.y > 0.0 ? 0.75 * smoothstep(-0.15, 0.35, wearsFirst.g - 1.0 + vWorn.y + 0.6 * ragged) : 0.0;
  // Rubbed to what is beneath, and the colour of dirt, both linear.
  diffuseColor.rgb = mix(diffuseColor.rgb, 0.45 * diffuseColor.rgb + vec3(0.30, 0.28, 0.25), rubbed);
  diffuseColor.rgb = mix(diffuseColor.rgb, vec3(0.069, 0.051, 0.033), soiled);`
