import {
  DataTexture,
  LinearMipmapLinearFilter,
  type Material,
  type MeshStandardMaterial,
  NearestFilter,
  RepeatWrapping,
  SRGBColorSpace,
  Texture,
  TextureLoader,
  Vector4,
} from 'three'
import type { Instead } from '../ticket/seeing'
import { coatMaterial } from './materials'

/** What a swatch is finished in: where its pictures are, and what tells one state of them from another. */
export interface CoatLook {
  swatch: string
  sheet: string
  url: (picture: 'COLOUR' | 'NORMAL' | 'SURFACE') => string
}

/** A density in pixels a metre, and four shares of it at which one colour gives way to the next. */
export interface Against {
  pixelsPerMetre: number
  bounds: readonly number[]
}

/** Squares across a sheet of 1024 pixels, so that each is 64. */
const SQUARES = 16

/** Squares, to see how finely and which way round pictures lie; the first of each sheet, at the foot of its left edge, is of another colour. */
function checker(): DataTexture {
  const pixels = new Uint8Array(4 * SQUARES * SQUARES)
  for (let y = 0; y < SQUARES; y++)
    for (let x = 0; x < SQUARES; x++) {
      const first = x === 0 && y === SQUARES - 1
      pixels.set(first ? [47, 127, 121, 255] : (x + y) % 2 ? [238, 233, 222, 255] : [92, 104, 114, 255], 4 * (y * SQUARES + x))
    }
  const texture = new DataTexture(pixels, SQUARES, SQUARES)
  lay(texture)
  texture.colorSpace = SRGBColorSpace
  texture.magFilter = NearestFilter
  texture.minFilter = LinearMipmapLinearFilter
  texture.generateMipmaps = true
  texture.needsUpdate = true
  return texture
}

/** The finishes of one view: a material for each swatch, that gets other pictures when it is told so. Only what is drawn is fetched. */
export class Coats {
  private readonly materials = new Map<string, MeshStandardMaterial>()
  private readonly loader = new TextureLoader()
  private readonly worn = new Map<string, string>()
  /** What is being fetched. */
  private readonly coming = new Map<string, string>()
  private looks = new Map<string, CoatLook>()
  private instead?: Instead
  /** What densities are seen against; 0 pixels a metre sees finishes. */
  private readonly against = { pixelsPerMetre: { value: 0 }, bounds: { value: new Vector4() } }
  private squares?: DataTexture

  /** @param onLoad called when pictures have come */
  constructor(
    private readonly onLoad: () => void,
    private readonly isCut = true,
  ) {}

  material(swatch: string): Material {
    let material = this.materials.get(swatch)
    if (!material) {
      material = coatMaterial(this.isCut, this.against)
      this.materials.set(swatch, material)
      void this.wear(swatch)
    }
    return material
  }

  /** @param instead what is seen in place of all finishes, @param against what densities are seen against, once that is known */
  show(looks: readonly CoatLook[] | undefined, instead: Instead | undefined, against: Against | undefined) {
    this.instead = instead
    this.against.pixelsPerMetre.value = (instead === 'density' && against?.pixelsPerMetre) || 0
    if (against) this.against.bounds.value.fromArray(against.bounds)
    this.looks = new Map(looks?.map((l) => [l.swatch, l]))
    for (const swatch of this.materials.keys()) void this.wear(swatch)
  }

  /** What is drawn of each swatch, once its pictures are there. */
  get shown(): string {
    return [...this.worn].map(([swatch, sheet]) => `${swatch} ${sheet}`).join(', ')
  }

  private async wear(swatch: string) {
    if (this.instead) {
      this.check(swatch, this.instead)
      return
    }
    const look = this.looks.get(swatch)
    if (!look || this.worn.get(swatch) === look.sheet || this.coming.get(swatch) === look.sheet) return
    this.coming.set(swatch, look.sheet)
    const fetched = Promise.all((['COLOUR', 'NORMAL', 'SURFACE'] as const).map((p) => this.loader.loadAsync(look.url(p))))
    // What does not come now is asked for again with the next show.
    const pictures = await fetched.catch(() => undefined)
    if (this.coming.get(swatch) === look.sheet) this.coming.delete(swatch)
    if (!pictures) return
    const [colour, normal, surface] = pictures
    if (this.instead || this.looks.get(swatch)?.sheet !== look.sheet) {
      for (const t of [colour, normal, surface]) t!.dispose()
      return
    }
    const material = this.materials.get(swatch)!
    this.strip(material)
    for (const t of [colour!, normal!, surface!]) lay(t)
    colour!.colorSpace = SRGBColorSpace
    Object.assign(material, { map: colour, normalMap: normal, roughnessMap: surface, metalnessMap: surface, aoMap: surface, roughness: 1, metalness: 1 })
    // Pictures have their top up, but their rows count down.
    material.normalScale.set(1, -1)
    material.needsUpdate = true
    this.worn.set(swatch, look.sheet)
    this.onLoad()
  }

  /** Squares; densities are coloured over them. */
  private check(swatch: string, as: Instead) {
    if (this.worn.get(swatch) === as) return
    const material = this.materials.get(swatch)!
    this.strip(material)
    this.squares ??= checker()
    Object.assign(material, { map: this.squares, normalMap: null, roughnessMap: null, metalnessMap: null, aoMap: null, roughness: 0.9, metalness: 0 })
    material.needsUpdate = true
    this.worn.set(swatch, as)
    this.onLoad()
  }

  private strip(material: MeshStandardMaterial) {
    for (const t of [material.map, material.normalMap, material.roughnessMap]) if (t !== this.squares) t?.dispose()
  }

  dispose() {
    this.looks.clear()
    this.squares?.dispose()
    for (const m of this.materials.values()) {
      this.strip(m)
      m.dispose()
    }
  }
}

/** As glTF has it: it goes on in all directions, and its rows go from the top. */
function lay(texture: Texture) {
  texture.wrapS = texture.wrapT = RepeatWrapping
  texture.flipY = false
  texture.anisotropy = 4
}
