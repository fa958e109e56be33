import {
  DataTexture,
  LinearFilter,
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
import { OPAQUE, shineAs, shineUniforms, type Shine, type ShineUniforms } from './glass'
import { coatMaterial } from './materials'

/** What a swatch is finished in: where its pictures are, and what tells one state of them from another. */
export interface CoatLook {
  /** 0: the site's. */
  colourwayId: number
  swatch: string
  sheet: string
  /** To a side of its sheet. */
  pixels: number
  /** Whether light shines through it, as through opal glass. */
  isGlass: boolean
  shine: Shine
  url: (picture: 'COLOUR' | 'NORMAL' | 'SURFACE') => string
}

/** A density in pixels a metre, and four shares of it at which one colour gives way to the next. */
export interface Against {
  pixelsPerMetre: number
  bounds: readonly number[]
}

/** How what is drawn at once is finished. */
export interface Finishing {
  /** 0: the site's. */
  colourwayId: number
  /** Where the picture is that says where it wears first; absent: it is new. */
  mask?: string
}
const AS_THE_SITE: Finishing = { colourwayId: 0 }

/** A material, and the sheet that it shows. */
interface Coated {
  swatch: string
  colourwayId: number
  material: MeshStandardMaterial
  /** To a side of its sheet. */
  pixels: { value: number }
  translucent: { value: number }
  shine: ShineUniforms
  shows?: string
}

type Pictures = readonly [Texture, Texture, Texture]

/** Of a sheet that is not known yet. */
const USUAL_PIXELS = 1024

/** Squares of 64 pixels, to see how finely and which way round pictures lie; the first of each sheet, at the foot of its left edge, is of another colour. */
function checker(side: number): DataTexture {
  const squares = side / 64
  const pixels = new Uint8Array(4 * squares * squares)
  for (let y = 0; y < squares; y++)
    for (let x = 0; x < squares; x++) {
      const first = x === 0 && y === squares - 1
      pixels.set(first ? [47, 127, 121, 255] : (x + y) % 2 ? [238, 233, 222, 255] : [92, 104, 114, 255], 4 * (y * squares + x))
    }
  const texture = new DataTexture(pixels, squares, squares)
  lay(texture)
  texture.colorSpace = SRGBColorSpace
  texture.magFilter = NearestFilter
  texture.minFilter = LinearMipmapLinearFilter
  texture.generateMipmaps = true
  texture.needsUpdate = true
  return texture
}

/** The finishes of one view: a material for each swatch and finishing, that gets other pictures when it is told so. Only what is drawn is fetched. */
export class Coats {
  private readonly coated = new Map<string, Coated>()
  private readonly loader = new TextureLoader()
  /** Pictures by sheet: however many materials show one, it is fetched once. */
  private readonly sheets = new Map<string, Promise<Pictures>>()
  private readonly masks = new Map<string, Texture>()
  private looks = new Map<string, CoatLook>()
  private instead?: Instead
  /** Another whenever light passes where it did not. */
  passing = 0
  /** What densities are seen against; 0 pixels a metre sees finishes. */
  private readonly against = { pixelsPerMetre: { value: 0 }, bounds: { value: new Vector4() } }
  /** By the pixels of their sheet. */
  private readonly squares = new Map<number, DataTexture>()

  /** @param onLoad called when pictures have come */
  constructor(
    private readonly onLoad: () => void,
    private readonly isCut = true,
  ) {}

  material(swatch: string, { colourwayId, mask }: Finishing = AS_THE_SITE): Material {
    const key = `${swatch}/${colourwayId}/${mask ?? ''}`
    let coated = this.coated.get(key)
    if (!coated) {
      const pixels = { value: USUAL_PIXELS }
      const translucent = { value: 0 }
      const shine = shineUniforms()
      const material = coatMaterial(this.isCut, { ...this.against, pixels }, translucent, shine, mask ? this.mask(mask) : undefined)
      coated = { swatch, colourwayId, pixels, translucent, shine, material }
      this.coated.set(key, coated)
      void this.dress(coated)
    }
    return coated.material
  }

  private mask(url: string): Texture {
    let mask = this.masks.get(url)
    if (!mask) {
      mask = this.loader.load(url, () => this.onLoad())
      mask.flipY = false
      // Islands are too near to each other for smaller copies.
      mask.minFilter = LinearFilter
      mask.generateMipmaps = false
      this.masks.set(url, mask)
    }
    return mask
  }

  /** @param instead what is seen in place of all finishes, @param against what densities are seen against, once that is known */
  show(looks: readonly CoatLook[] | undefined, instead: Instead | undefined, against: Against | undefined) {
    this.instead = instead
    this.against.pixelsPerMetre.value = (instead === 'density' && against?.pixelsPerMetre) || 0
    if (against) this.against.bounds.value.fromArray(against.bounds)
    this.looks = new Map(looks?.map((l) => [`${l.swatch}/${l.colourwayId}`, l]))
    for (const coated of this.coated.values()) void this.dress(coated)
  }

  /** What is drawn of each swatch, once its pictures are there. */
  get shown(): string {
    return [...this.coated.values()]
      .filter((c) => c.shows)
      .map((c) => `${c.swatch} ${c.shows}`)
      .join(', ')
  }

  /** A colourway that is gone looks as the site does. */
  private lookOf(of: Coated): CoatLook | undefined {
    return this.looks.get(`${of.swatch}/${of.colourwayId}`) ?? this.looks.get(`${of.swatch}/0`)
  }

  private fetch(look: CoatLook): Promise<Pictures> {
    let pictures = this.sheets.get(look.sheet)
    if (!pictures) {
      pictures = Promise.all([this.loader.loadAsync(look.url('COLOUR')), this.loader.loadAsync(look.url('NORMAL')), this.loader.loadAsync(look.url('SURFACE'))])
      void pictures.then(([colour, normal, surface]) => {
        for (const t of [colour, normal, surface]) lay(t)
        colour.colorSpace = SRGBColorSpace
      })
      // What does not come now is asked for again with the next show.
      pictures.catch(() => this.sheets.delete(look.sheet))
      this.sheets.set(look.sheet, pictures)
    }
    return pictures
  }

  private async dress(coated: Coated) {
    coated.pixels.value = this.lookOf(coated)?.pixels ?? USUAL_PIXELS
    coated.translucent.value = this.lookOf(coated)?.isGlass ? 1 : 0
    if (shineAs(coated.material, coated.shine, (!this.instead && this.lookOf(coated)?.shine) || OPAQUE)) this.passing++
    if (this.instead) {
      this.check(coated, this.instead)
      return
    }
    const look = this.lookOf(coated)
    if (!look || coated.shows === look.sheet) return
    const pictures = await this.fetch(look).catch(() => undefined)
    if (!pictures || this.instead || this.lookOf(coated)?.sheet !== look.sheet || coated.shows === look.sheet) return
    const [colour, normal, surface] = pictures
    Object.assign(coated.material, { map: colour, normalMap: normal, roughnessMap: surface, metalnessMap: surface, aoMap: surface, roughness: 1, metalness: 1 })
    // Pictures have their top up, but their rows count down.
    coated.material.normalScale.set(1, -1)
    this.shows(coated, look.sheet)
  }

  /** Squares; densities are coloured over them. */
  private check(coated: Coated, as: Instead) {
    const side = coated.pixels.value
    const what = `${as} ${side}`
    if (coated.shows === what) return
    const squares = this.squares.get(side) ?? checker(side)
    this.squares.set(side, squares)
    Object.assign(coated.material, { map: squares, normalMap: null, roughnessMap: null, metalnessMap: null, aoMap: null, roughness: 0.9, metalness: 0 })
    this.shows(coated, what)
  }

  private shows(coated: Coated, what: string) {
    coated.material.needsUpdate = true
    coated.shows = what
    this.letGo()
    this.onLoad()
  }

  /** Lets go of pictures that nothing shows, nor is about to. */
  private letGo() {
    const wanted = new Set([...this.coated.values()].flatMap((c) => [c.shows, this.lookOf(c)?.sheet]))
    for (const [sheet, pictures] of this.sheets) {
      if (wanted.has(sheet)) continue
      this.sheets.delete(sheet)
      void pictures.then((all) => all.forEach((t) => t.dispose()))
    }
  }

  dispose() {
    this.looks.clear()
    for (const s of this.squares.values()) s.dispose()
    for (const c of this.coated.values()) c.material.dispose()
    for (const m of this.masks.values()) m.dispose()
    this.coated.clear()
    this.letGo()
  }
}

/** As glTF has it: it goes on in all directions, and its rows go from the top. */
function lay(texture: Texture) {
  texture.wrapS = texture.wrapT = RepeatWrapping
  texture.flipY = false
  texture.anisotropy = 4
}
