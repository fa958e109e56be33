import {
  AddEquation,
  Color,
  CustomBlending,
  DoubleSide,
  FrontSide,
  MeshBasicMaterial,
  NormalBlending,
  OneFactor,
  OneMinusSrcAlphaFactor,
  SrcColorFactor,
  ZeroFactor,
} from 'three'
import type { InstancedMesh, Material, MeshStandardMaterial } from 'three'

/** The light of a finish: what it gives of itself, and what passes through it. */
export interface Shine {
  /** Of its glow. */
  glowColour: string
  /** How bright it glows, cd/m². */
  nits: number
  /** What passes, 0 to 1. */
  passes: number
  /** What colours it. */
  tint: string
  /** Whether both sides are seen. */
  twoSided: boolean
}

export const OPAQUE: Shine = { glowColour: '#ffffff', nits: 0, passes: 0, tint: '#ffffff', twoSided: false }

/** How much of its glow each placement has. */
export const GLOWING = 'glowing'

/** What finishes are told of their light; shared by their programs. */
export const shineUniforms = () => ({ glowColour: { value: new Color(0, 0, 0) }, glowNits: { value: 0 }, passes: { value: 0 } })
export type ShineUniforms = ReturnType<typeof shineUniforms>

/** From cd/m² to what is seen; below 0 in even light, where what glows is merely bright. */
export const glowScale = { value: -1 }

const WEIGHTS = [0.2126, 0.7152, 0.0722] as const
const luminance = ({ r, g, b }: Color) => WEIGHTS[0] * r + WEIGHTS[1] * g + WEIGHTS[2] * b

/** Makes a finish glow, and lets light through it. */
export function shineBy(material: MeshStandardMaterial, uniforms: ShineUniforms) {
  const before = material.onBeforeCompile.bind(material)
  material.onBeforeCompile = (shader, renderer) => {
    before(shader, renderer)
    Object.assign(shader.uniforms, uniforms, { glowScale })
    shader.vertexShader = `#ifdef USE_INSTANCING\nattribute float ${GLOWING};\n#endif\nvarying float glowShare;\n${shader.vertexShader}`.replace(
      '#include <begin_vertex>',
      `#include <begin_vertex>
      #ifdef USE_INSTANCING
        glowShare = ${GLOWING};
      #else
        glowShare = 1.0;
      #endif`,
    )
    shader.fragmentShader =
      `varying float glowShare;\nuniform vec3 glowColour;\nuniform float glowNits;\nuniform float glowScale;\nuniform float passes;\n${shader.fragmentShader}`
        .replace(
          '#include <emissivemap_fragment>',
          `#include <emissivemap_fragment>
          if (glowNits > 0.0) {
            vec3 glow = glowColour * glowShare * (glowScale < 0.0 ? 0.6 : glowNits * glowScale);
            #if defined(USE_COLOR) || defined(USE_INSTANCING_COLOR)
              glow *= vColor.rgb;
            #endif
            totalEmissiveRadiance += glow;
          }`,
        )
        // What passes is seen through it; what it mirrors and gives lies over that.
        .replace(
          '#include <opaque_fragment>',
          `#include <opaque_fragment>
          if (passes > 0.0) {
            float through = passes * dot(diffuseColor.rgb, vec3(${WEIGHTS.join(', ')}));
            gl_FragColor = vec4(totalDiffuse * (1.0 - passes) + totalSpecular + totalEmissiveRadiance, 1.0 - through);
          }`,
        )
  }
}

/** Takes up the light of a finish. @returns whether it lets light through where it did not, or the other way round */
export function shineAs(material: MeshStandardMaterial, uniforms: ShineUniforms, shine: Shine): boolean {
  const colour = new Color(shine.glowColour)
  uniforms.glowColour.value.copy(colour.multiplyScalar(1 / Math.max(1e-3, luminance(colour))))
  uniforms.glowNits.value = shine.nits
  uniforms.passes.value = shine.passes
  const isGlass = shine.passes > 0
  const was = material.transparent
  material.transparent = isGlass
  material.depthWrite = !isGlass
  material.side = isGlass && !shine.twoSided ? FrontSide : DoubleSide
  material.blending = isGlass ? CustomBlending : NormalBlending
  material.blendEquation = AddEquation
  material.blendSrc = OneFactor
  material.blendDst = OneMinusSrcAlphaFactor
  const tint = new Color(shine.tint)
  material.userData.passes = shine.passes
  material.userData.tint =
    isGlass && isColoured(tint) ? tint.multiplyScalar(1 / Math.max(1e-3, luminance(tint))).lerp(new Color(1, 1, 1), 1 - shine.passes) : undefined
  if (was !== isGlass) material.needsUpdate = true
  return was !== isGlass
}

const isColoured = ({ r, g, b }: Color) => Math.max(r, g, b) > 1.08 * Math.min(r, g, b)

const tints = new Map<string, MeshBasicMaterial>()

/** What colours that which is seen through glass: it is multiplied, in whichever order. */
export function tintMaterial(of: Material): MeshBasicMaterial {
  const tint = of.userData.tint as Color
  const key = `${tint.getHexString()} ${tint.r.toFixed(2)} ${of.side}`
  let made = tints.get(key)
  if (!made) {
    made = new MeshBasicMaterial({
      transparent: true,
      depthWrite: false,
      side: of.side,
      blending: CustomBlending,
      blendSrc: ZeroFactor,
      blendDst: SrcColorFactor,
      toneMapped: false,
    })
    made.color.copy(tint)
    made.clippingPlanes = of.clippingPlanes
    tints.set(key, made)
  }
  return made
}

export const isGlass = (mesh: InstancedMesh) => (mesh.material as Material).transparent
