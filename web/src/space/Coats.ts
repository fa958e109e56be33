import { type Material, type MeshStandardMaterial, RepeatWrapping, SRGBColorSpace, Texture, TextureLoader } from 'three'
import { coatMaterial } from './materials'

/** What a swatch is finished in: where its pictures are, and what tells one state of them from another. */
export interface CoatLook {
  swatch: string
  sheet: string
  url: (picture: 'COLOUR' | 'NORMAL' | 'SURFACE') => string
}

/** The finishes of one view: a material for each swatch, that gets other pictures when it is told so. Only what is drawn is fetched. */
export class Coats {
  private readonly materials = new Map<string, MeshStandardMaterial>()
  private readonly loader = new TextureLoader()
  private readonly worn = new Map<string, string>()
  private looks = new Map<string, CoatLook>()

  /** @param onLoad called when pictures have come */
  constructor(
    private readonly onLoad: () => void,
    private readonly isCut = true,
  ) {}

  material(swatch: string): Material {
    let material = this.materials.get(swatch)
    if (!material) {
      material = coatMaterial(this.isCut)
      this.materials.set(swatch, material)
      void this.wear(swatch)
    }
    return material
  }

  show(looks: readonly CoatLook[] | undefined) {
    this.looks = new Map(looks?.map((l) => [l.swatch, l]))
    for (const swatch of this.materials.keys()) void this.wear(swatch)
  }

  /** What is drawn of each swatch, once its pictures are there. */
  get shown(): string {
    return [...this.worn].map(([swatch, sheet]) => `${swatch} ${sheet}`).join(', ')
  }

  private async wear(swatch: string) {
    const look = this.looks.get(swatch)
    if (!look || this.worn.get(swatch) === look.sheet) return
    const [colour, normal, surface] = await Promise.all((['COLOUR', 'NORMAL', 'SURFACE'] as const).map((p) => this.loader.loadAsync(look.url(p))))
    if (this.looks.get(swatch) !== look) {
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

  private strip(material: MeshStandardMaterial) {
    for (const t of [material.map, material.normalMap, material.roughnessMap]) t?.dispose()
  }

  dispose() {
    this.looks.clear()
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
