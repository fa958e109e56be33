import {
  ClampToEdgeWrapping,
  Data3DTexture,
  DataTexture,
  FloatType,
  HalfFloatType,
  LinearFilter,
  NearestFilter,
  RedFormat,
  RGBAFormat,
  RGFormat,
  UnsignedByteType,
  Vector2,
  Vector3,
  type MeshStandardMaterial,
} from 'three'
import type { LightView } from '../api/client'
import type { Field } from '../light/field'
import { glowScale } from './glass'
import type { Lamps } from './lit'
import { MIDDLE } from '../light/meter'
import { cellsOf } from './lampCells'

type Emitter = Lamps['emitters'][number]
const KINDS: readonly Emitter['kind'][] = ['POINT', 'SPOT', 'LINE', 'PANEL']
/** Texels that tell of one lamp. */
const TEXELS = 4
/** Tiles of shadows side by side. */
const TILES = 32

/** Nothing, for samplers that have to have something. */
function nothing3() {
  const t = new Data3DTexture(new Uint16Array(4), 1, 1, 1)
  t.format = RGBAFormat
  t.type = HalfFloatType
  t.needsUpdate = true
  return t
}
const nothing2 = () => {
  const t = new DataTexture(new Float32Array(4), 1, 1, RGBAFormat, FloatType)
  t.needsUpdate = true
  return t
}

const empty3 = nothing3()
const empty2 = nothing2()

/** Shared by all that is lit. */
const lit = {
  fieldOn: { value: 0 },
  fieldRed: { value: empty3 as Data3DTexture },
  fieldGreen: { value: empty3 as Data3DTexture },
  fieldBlue: { value: empty3 as Data3DTexture },
  fieldWalls: { value: empty3 as Data3DTexture },
  fieldFrom: { value: new Vector3() },
  fieldSize: { value: new Vector3(1, 1, 1) },
  fieldSpacing: { value: 1 },
  /** From what is kept to what is seen. */
  fieldScale: { value: 0 },
  lampsOn: { value: 0 },
  lampData: { value: empty2 as DataTexture },
  lampCells: { value: empty3 as Data3DTexture },
  lampList: { value: empty2 as DataTexture },
  lampShadows: { value: empty2 as DataTexture },
  lampFrom: { value: new Vector3() },
  lampSize: { value: new Vector3(1, 1, 1) },
  lampCell: { value: 1 },
  /** From candela to what is seen. */
  lampScale: { value: 0 },
  lampTile: { value: new Vector2(1, 1) },
}

/** What the volume is told by, to whatever else is lit by it. */
export const fieldUniforms = {
  fieldOn: lit.fieldOn,
  fieldRed: lit.fieldRed,
  fieldGreen: lit.fieldGreen,
  fieldBlue: lit.fieldBlue,
  fieldFrom: lit.fieldFrom,
  fieldSize: lit.fieldSize,
  fieldSpacing: lit.fieldSpacing,
  fieldScale: lit.fieldScale,
}

function texture3(data: Uint16Array | Uint8Array | Float32Array, [x, y, z]: readonly [number, number, number], as: Partial<Data3DTexture>) {
  // The array's own buffer may hold more than it.
  const t = new Data3DTexture(data as Uint16Array<ArrayBuffer>, x, y, z)
  Object.assign(t, {
    minFilter: LinearFilter,
    magFilter: LinearFilter,
    wrapS: ClampToEdgeWrapping,
    wrapT: ClampToEdgeWrapping,
    wrapR: ClampToEdgeWrapping,
    unpackAlignment: 1,
    ...as,
  })
  t.needsUpdate = true
  return t
}

function texture2(data: Float32Array, width: number, as: Partial<DataTexture>) {
  const t = new DataTexture(data as Float32Array<ArrayBuffer>, width, data.length / width / (as.format === RedFormat ? 1 : 4))
  Object.assign(t, { type: FloatType, minFilter: NearestFilter, magFilter: NearestFilter, ...as })
  t.needsUpdate = true
  return t
}

/** The lamps and the light that bounces, as finishes are lit by them. */
export class LightField {
  private field?: Field
  private lamps?: Lamps

  /** @returns whether anything is lit otherwise than before */
  show(light: LightView | undefined, field: Field | undefined, lamps: Lamps | undefined): boolean {
    const isMood = !!light && !light.even
    const scale = isMood ? MIDDLE / light.middle : 0
    const was = [lit.fieldOn.value, lit.fieldScale.value, lit.lampScale.value, lit.lampsOn.value].join()
    const isOther = field !== this.field || lamps !== this.lamps
    if (field !== this.field) this.keep(field)
    if (lamps !== this.lamps) this.keepLamps(lamps)
    lit.fieldOn.value = isMood && field ? 1 : 0
    const glow = isMood ? scale * light.lamps : -1
    const glows = glowScale.value !== glow
    glowScale.value = glow
    lit.fieldScale.value = scale * (field?.unit ?? 0)
    lit.lampsOn.value = isMood && lamps?.emitters.length && light.lamps > 0 ? 1 : 0
    lit.lampScale.value = isMood ? scale * light.lamps : 0
    return isOther || glows || was !== [lit.fieldOn.value, lit.fieldScale.value, lit.lampScale.value, lit.lampsOn.value].join()
  }

  private keep(field: Field | undefined) {
    this.field = field
    for (const u of [lit.fieldRed, lit.fieldGreen, lit.fieldBlue, lit.fieldWalls]) {
      if (u.value !== empty3) u.value.dispose()
      u.value = empty3
    }
    if (!field) return
    const half = { format: RGBAFormat, type: HalfFloatType } as const
    lit.fieldRed.value = texture3(field.colours[0], field.size, half)
    lit.fieldGreen.value = texture3(field.colours[1], field.size, half)
    lit.fieldBlue.value = texture3(field.colours[2], field.size, half)
    lit.fieldWalls.value = texture3(field.walls, field.size, { format: RedFormat, type: UnsignedByteType, minFilter: NearestFilter, magFilter: NearestFilter })
    lit.fieldFrom.value.fromArray(field.from)
    lit.fieldSize.value.fromArray(field.size)
    lit.fieldSpacing.value = field.spacing
  }

  private keepLamps(lamps: Lamps | undefined) {
    this.lamps = lamps
    for (const u of [lit.lampData, lit.lampList, lit.lampShadows]) {
      if (u.value !== empty2) u.value.dispose()
      u.value = empty2
    }
    if (lit.lampCells.value !== empty3) lit.lampCells.value.dispose()
    lit.lampCells.value = empty3
    if (!lamps?.emitters.length) return
    lit.lampData.value = texture2(told(lamps.emitters), TEXELS, {})
    const cells = cellsOf(lamps.emitters)
    lit.lampCells.value = texture3(cells.cells, cells.size, { format: RGFormat, type: FloatType, minFilter: NearestFilter, magFilter: NearestFilter })
    lit.lampList.value = texture2(cells.list, cells.width, { format: RedFormat })
    lit.lampFrom.value.fromArray(cells.from)
    lit.lampSize.value.fromArray(cells.size)
    lit.lampCell.value = cells.cell
    const shadows = tiled(lamps)
    lit.lampShadows.value = shadows
    lit.lampTile.value.set(lamps.shadowSide / shadows.image.width, lamps.shadowSide / shadows.image.height)
  }

  dispose() {
    this.keep(undefined)
    this.keepLamps(undefined)
    lit.fieldOn.value = 0
    lit.lampsOn.value = 0
  }
}

function told(emitters: readonly Emitter[]) {
  const data = new Float32Array(4 * TEXELS * emitters.length)
  emitters.forEach((e, i) => {
    const inner = Math.cos(0.8 * Math.acos(e.cosine))
    data.set(
      [e.at.x, e.at.y, e.at.z, e.reachM, e.way.x, e.way.y, e.way.z, KINDS.indexOf(e.kind), e.candela.r, e.candela.g, e.candela.b, e.cosine, inner, 0, 0, 0],
      4 * TEXELS * i,
    )
  })
  return data
}

/** The shadows of all lamps in one picture. */
function tiled({ shadows, shadowSide: side, emitters }: Lamps) {
  const width = TILES * side
  const height = Math.ceil(emitters.length / TILES) * side
  const data = new Uint8Array(width * height)
  for (let lamp = 0; lamp < emitters.length; lamp++)
    for (let v = 0; v < side; v++) {
      const row = (Math.floor(lamp / TILES) * side + v) * width + (lamp % TILES) * side
      data.set(shadows.subarray((lamp * side + v) * side, (lamp * side + v + 1) * side), row)
    }
  const t = new DataTexture(data, width, height, RedFormat, UnsignedByteType)
  Object.assign(t, { minFilter: LinearFilter, magFilter: LinearFilter, unpackAlignment: 1 })
  t.needsUpdate = true
  return t
}

/** What comes from the volume, and from lamps near by; as the server's core has both. */
const FIELD = `
  uniform float fieldOn;
  uniform highp sampler3D fieldRed;
  uniform highp sampler3D fieldGreen;
  uniform highp sampler3D fieldBlue;
  uniform highp sampler3D fieldWalls;
  uniform vec3 fieldFrom;
  uniform vec3 fieldSize;
  uniform float fieldSpacing;
  uniform float fieldScale;
  uniform float lampsOn;
  uniform highp sampler2D lampData;
  uniform highp sampler3D lampCells;
  uniform highp sampler2D lampList;
  uniform highp sampler2D lampShadows;
  uniform vec3 lampFrom;
  uniform vec3 lampSize;
  uniform float lampCell;
  uniform float lampScale;
  uniform vec2 lampTile;
  uniform float translucent;

  // What faces n gets of a mean and a slope (C. McTaggart, 2012).
  float facing(vec4 light, vec3 n) {
    float slope = length(light.yzw);
    if (light.x <= 0.0 || slope <= 0.0) return max(light.x, 0.0);
    float one = min(1.0, slope / 2.0 / light.x);
    float power = 1.0 + 2.0 * one;
    float all = (1.0 - one) / (1.0 + one);
    return light.x * (all + (1.0 - all) * (power + 1.0) * pow(max(0.0, (1.0 + dot(light.yzw, n) / slope) / 2.0), power));
  }

  bool isWalled(int walls, int axis, float off) { return (walls & (off < 0.0 ? 1 : 2) << 2 * axis) != 0; }

  // A little before the surface and toward the eye, and never across a wall: where one stands between the nearest place and the next, one of both
  // counts alone. What is seen lies on the eye's side of a wall: so it is the next one where the eye is beyond that.
  vec3 fieldAt(vec3 p, vec3 n, vec3 toEye) {
    vec3 g = clamp((p + (n * 0.4 + toEye * 0.25) * fieldSpacing - fieldFrom) / fieldSpacing, vec3(0.0), fieldSize - 1.0);
    vec3 near = floor(g + 0.5);
    vec3 off = g - near;
    vec3 eye = (cameraPosition - fieldFrom) / fieldSpacing - near;
    int walls = int(texelFetch(fieldWalls, ivec3(near), 0).r * 255.0 + 0.5);
    for (int axis = 0; axis < 3; axis++) {
      if (!isWalled(walls, axis, off[axis])) continue;
      if (off[axis] * eye[axis] > 0.0 && abs(eye[axis]) > 1.0) near[axis] = clamp(near[axis] + sign(off[axis]), 0.0, fieldSize[axis] - 1.0);
      off[axis] = 0.0;
    }
    vec3 at = (near + off + 0.5) / fieldSize;
    return fieldScale * vec3(facing(texture(fieldRed, at), n), facing(texture(fieldGreen, at), n), facing(texture(fieldBlue, at), n));
  }

  vec2 unfolded(vec3 d) {
    d /= abs(d.x) + abs(d.y) + abs(d.z);
    vec2 s = vec2(d.x < 0.0 ? -1.0 : 1.0, d.y < 0.0 ? -1.0 : 1.0);
    return 0.5 + 0.5 * (d.z >= 0.0 ? d.xy : (1.0 - abs(d.yx)) * s);
  }
`

/** Replaces what comes from outside by what comes in, and adds the lamps. */
const LIT = `#include <lights_fragment_maps>
  vec3 siteNormal = inverseTransformDirection(geometryNormal, viewMatrix);
  #if defined(USE_ENVMAP) && defined(STANDARD)
  if (fieldOn > 0.5) {
    vec3 came = fieldAt(placeInSite, siteNormal, normalize(cameraPosition - placeInSite));
    // What is mirrored of outside is as much dimmed as what comes in from there.
    const vec3 weights = vec3(0.2126, 0.7152, 0.0722);
    radiance *= clamp(dot(came, weights) / max(dot(iblIrradiance, weights), 1e-6), 0.0, 1.0);
    iblIrradiance = came;
    irradiance = vec3(0.0);
  }
  #endif
  if (lampsOn > 0.5) {
    vec3 cell = floor((placeInSite - lampFrom) / lampCell);
    if (all(greaterThanEqual(cell, vec3(0.0))) && all(lessThan(cell, lampSize))) {
      vec2 span = texelFetch(lampCells, ivec3(cell), 0).rg;
      int wide = textureSize(lampList, 0).x;
      ivec2 tiles = ivec2(1.0 / lampTile + 0.5);
      vec2 pixel = 0.5 / vec2(textureSize(lampShadows, 0));
      int many = int(span.y + 0.5);
      for (int i = 0; i < many; i++) {
        int at = int(span.x) + i;
        int lamp = int(texelFetch(lampList, ivec2(at % wide, at / wide), 0).r + 0.5);
        vec4 place = texelFetch(lampData, ivec2(0, lamp), 0);
        vec3 toLamp = place.xyz - placeInSite;
        float far = length(toLamp);
        if (far >= place.w) continue;
        vec3 way = toLamp / far;
        float cosine = dot(siteNormal, way);
        if (translucent > 0.5) cosine = abs(cosine);
        if (cosine <= 0.0) continue;
        vec4 axis = texelFetch(lampData, ivec2(1, lamp), 0);
        vec4 candela = texelFetch(lampData, ivec2(2, lamp), 0);
        float along = -dot(way, axis.xyz);
        float share = 1.0;
        if (axis.w > 2.5) share = max(0.0, along);
        else if (axis.w > 1.5) share = sqrt(max(0.0, 1.0 - along * along));
        else if (axis.w > 0.5) share = smoothstep(candela.w, texelFetch(lampData, ivec2(3, lamp), 0).r, along);
        float part = far / place.w;
        share *= max(0.0, 1.0 - part * part * part * part) / max(far * far, 0.0004);
        vec2 tile = vec2(lamp % tiles.x, lamp / tiles.x) * lampTile;
        float ends = place.w * texture(lampShadows, clamp(tile + unfolded(-way) * lampTile, tile + pixel, tile + lampTile - pixel)).r;
        share *= 1.0 - smoothstep(0.08 + 0.07 * far, 0.20 + 0.15 * far, far - ends);
        if (share <= 0.0) continue;
        IncidentLight fromLamp;
        fromLamp.color = candela.rgb * share * lampScale;
        fromLamp.direction = (viewMatrix * vec4(translucent > 0.5 && dot(siteNormal, way) < 0.0 ? -way : way, 0.0)).xyz;
        fromLamp.visible = true;
        RE_Direct(fromLamp, geometryPosition, geometryNormal, geometryViewDir, geometryClearcoatNormal, material, reflectedLight);
      }
    }
  }`

/** Lights a finish by it; its shader knows where it is in the site as placeInSite. @param translucent whether light shines through it */
export function lightBy(material: MeshStandardMaterial, translucent: { value: number }) {
  const before = material.onBeforeCompile.bind(material)
  material.onBeforeCompile = (shader, renderer) => {
    before(shader, renderer)
    Object.assign(shader.uniforms, lit, { translucent })
    shader.fragmentShader = `${FIELD}\n${shader.fragmentShader}`.replace('#include <lights_fragment_maps>', LIT)
  }
}
