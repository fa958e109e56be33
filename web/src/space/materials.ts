import {
  Color,
  DoubleSide,
  type Material,
  MeshLambertMaterial,
  MeshStandardMaterial,
  Plane,
  ShaderMaterial,
  Vector3,
  type IUniform,
  type Texture,
  type Vector4,
} from 'three'
import { ink } from '../styles/theme'
import { shineBy, type ShineUniforms } from './glass'
import { lightBy } from './LightField'
import { wearOff } from './wear'

/** Grey papers: shape is judged without colour, yet one material is told from the other. */
const PAPERS: Record<string, string> = {
  plaster: '#EFECE4',
  stone: '#DEDACF',
  timber: '#DCD5C8',
  metal: '#B4B7B7',
  opal: '#FBF8EE',
  tile: '#E3E6DF',
  terrazzo: '#D6D1C6',
  paint: '#C9CDC6',
}

/** Shared by everything that the cutaway cuts. */
export const cut = {
  plane: new Plane(new Vector3(0, 0, -1), 1e6),
  height: { value: 1e6 },
  open: { value: 0 },
  /** Whether backs are hatched: in paper they are, in finishes only where the set is cut open. */
  hatch: { value: 1 },
  /** Nothing below this is drawn either. */
  base: new Plane(new Vector3(0, 0, 1), 1e6),
  low: { value: -1e6 },
}

export const paperColour = (swatch: string) => new Color(PAPERS[swatch] ?? PAPERS.plaster)

/** What fronts of either look have in common. */
const FACES = { side: DoubleSide, polygonOffset: true, polygonOffsetFactor: 1, polygonOffsetUnits: 1 }

/** What is less opaque than this is not there, as glTF 2.0 has it. */
const CUT_OUT = 0.5

/** Fronts in paper. */
export function paperMaterial(swatch: string): MeshLambertMaterial {
  return cutOpen(new MeshLambertMaterial({ ...FACES, color: paperColour(swatch), clippingPlanes: [cut.plane, cut.base] }))
}

/** Fronts in a finish, white until its pictures come. @param isCut whether the cutaway cuts it, @param translucent whether light shines through it, @param shine the light of its own and through it, @param mask where it wears first */
export function coatMaterial(
  isCut: boolean,
  against: { pixelsPerMetre: IUniform<number>; bounds: IUniform<Vector4>; pixels: IUniform<number> },
  translucent: IUniform<number>,
  shine: ShineUniforms,
  mask?: Texture,
): MeshStandardMaterial {
  const material = cutOpen(new MeshStandardMaterial({ ...FACES, roughness: 0.9, alphaTest: CUT_OUT, clippingPlanes: isCut ? [cut.plane, cut.base] : [] }))
  const cutOpened = material.onBeforeCompile.bind(material)
  material.onBeforeCompile = (shader, renderer) => {
    cutOpened(shader, renderer)
    shader.uniforms.against = against.pixelsPerMetre
    shader.uniforms.bounds = against.bounds
    shader.uniforms.sheetPixels = against.pixels
    shader.vertexShader = `varying vec3 placeInSite;\n${shader.vertexShader}`.replace('#include <project_vertex>', PLACE)
    shader.fragmentShader = `${VARIATION}\nuniform float against;\nuniform float sheetPixels;\nuniform vec4 bounds;\n${shader.fragmentShader}`.replace(
      '#include <map_fragment>',
      `${DENSITY}\n${VARIED}`,
    )
  }
  lightBy(material, translucent)
  shineBy(material, shine)
  if (mask) wearOff(material, mask)
  return material
}

/** Metres of the site. */
const PLACE = `#include <project_vertex>
  vec4 placed = vec4(transformed, 1.0);
  #ifdef USE_INSTANCING
    placed = instanceMatrix * placed;
  #endif
  placeInSite = (modelMatrix * placed).xyz;`

/** Smooth noise by the place, 0 to 1, so that no two sheets of one finish look alike from afar: a second, larger variation, the same whenever it is drawn. */
const VARIATION = `varying vec3 placeInSite;
  float atCorner(vec3 p) { p = fract(p * vec3(0.1031, 0.1130, 0.0973)); p += dot(p, p.yzx + 33.33); return fract((p.x + p.y) * p.z); }
  float smoothAt(vec3 p) {
    vec3 i = floor(p);
    vec3 f = fract(p);
    f = f * f * (3.0 - 2.0 * f);
    return mix(
      mix(mix(atCorner(i), atCorner(i + vec3(1, 0, 0)), f.x), mix(atCorner(i + vec3(0, 1, 0)), atCorner(i + vec3(1, 1, 0)), f.x), f.y),
      mix(mix(atCorner(i + vec3(0, 0, 1)), atCorner(i + vec3(1, 0, 1)), f.x), mix(atCorner(i + vec3(0, 1, 1)), atCorner(i + vec3(1, 1, 1)), f.x), f.y),
      f.z);
  }`

/** By a tenth in lightness over a few metres, and a little from warm to cool. */
const VARIED = `if (against <= 0.0) {
    float large = smoothAt(placeInSite * 0.37);
    float small = smoothAt(placeInSite * 1.31 + 17.0);
    diffuseColor.rgb *= 0.93 + 0.09 * large + 0.05 * small;
    diffuseColor.rgb *= mix(vec3(1.015, 1.0, 0.975), vec3(0.985, 1.0, 1.02), smoothAt(placeInSite * 0.23 + 5.0));
  }`

/**
 * How finely pictures lie, against a density in pixels a metre: how much of a sheet of so many pixels there is on how much of the surface,
 * both from pixel to pixel of the screen. In the colours of DENSITIES.
 */
const DENSITY = `#include <map_fragment>
  #ifdef USE_MAP
    if (against > 0.0) {
      vec2 sheetX = dFdx(vMapUv) * sheetPixels;
      vec2 sheetY = dFdy(vMapUv) * sheetPixels;
      float onSheet = abs(sheetX.x * sheetY.y - sheetX.y * sheetY.x);
      float onFace = length(cross(dFdx(vViewPosition), dFdy(vViewPosition)));
      float share = sqrt(onSheet / max(onFace, 1e-12)) / against;
      diffuseColor.rgb = share < bounds.x ? vec3(0.392, 0.058, 0.023) : share < bounds.y ? vec3(0.485, 0.194, 0.007) : share < bounds.z ? vec3(0.418, 0.610, 0.565) : share < bounds.w ? vec3(0.356, 0.235, 0.451) : vec3(0.144, 0.047, 0.201);
    }
  #endif`

/** What the colours of densities mean. */
export const DENSITIES = [
  { colour: '#a8432b', says: 'below half: blurred' },
  { colour: '#b97a14', says: 'below' },
  { colour: '#adccc5', says: 'as the site' },
  { colour: '#a184b3', says: 'above' },
  { colour: '#6a3d7c', says: 'twice and more' },
] as const

/** Backs are a fault, hatched in ochre; where the set is cut open they are what was cut, filled in ink. */
function cutOpen<M extends Material>(material: M): M {
  material.onBeforeCompile = (shader) => {
    shader.uniforms.cutOpen = cut.open
    shader.uniforms.hatch = cut.hatch
    shader.fragmentShader = shader.fragmentShader.replace('void main() {', 'uniform float cutOpen;\nuniform float hatch;\nvoid main() {').replace(
      '#include <dithering_fragment>',
      `#include <dithering_fragment>
        if (!gl_FrontFacing && max(hatch, cutOpen) > 0.5) {
          float band = step(0.5, fract((gl_FragCoord.x + gl_FragCoord.y) / 10.0));
          vec3 hatched = mix(vec3(0.957, 0.945, 0.918), vec3(0.725, 0.478, 0.078), band);
          gl_FragColor = vec4(mix(hatched, vec3(0.32, 0.37, 0.42), cutOpen), 1.0);
        }`,
    )
  }
  return material
}

/** Ink edges of instances: each has a place with a scale, a turn as a quaternion, and a colour. */
export function edgeMaterial(): ShaderMaterial {
  return new ShaderMaterial({
    transparent: true,
    depthWrite: false,
    uniforms: { cutHeight: cut.height, cutLow: cut.low, ink: { value: new Color(ink) }, inked: { value: 1 } },
    vertexShader: `
      attribute vec4 place;
      attribute vec4 turn;
      attribute vec3 tint;
      varying vec3 colour;
      varying float height;
      void main() {
        vec3 own = position * place.w;
        vec3 p = own + 2.0 * cross(turn.xyz, cross(turn.xyz, own) + turn.w * own) + place.xyz;
        colour = tint;
        height = p.z;
        gl_Position = projectionMatrix * viewMatrix * vec4(p, 1.0);
      }`,
    fragmentShader: `
      uniform float cutHeight;
      uniform float cutLow;
      uniform vec3 ink;
      uniform float inked;
      varying vec3 colour;
      varying float height;
      void main() {
        if (inked < 0.5 && distance(colour, ink) < 0.02) discard;
        if (height > cutHeight || height < cutLow) discard;
        // Joints are fine, so that silhouettes read before them; what is selected is not.
        gl_FragColor = vec4(colour, distance(colour, ink) < 0.02 ? 0.34 : 1.0);
      }`,
  })
}
