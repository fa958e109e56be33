import {
  AmbientLight,
  BackSide,
  Box3,
  BoxGeometry,
  Color,
  DirectionalLight,
  Group,
  HemisphereLight,
  Mesh,
  MeshBasicMaterial,
  PMREMGenerator,
  Scene,
  type Texture,
  Vector3,
  type WebGLRenderer,
} from 'three'
import type { LightView } from '../api/client'

/** The most lights that come from afar. */
const BEAMS = 3

/** The light of the set: even light for judging shape, or a mood's sky and lights, the first of which casts soft shadows. */
export class Daylight {
  readonly group = new Group()
  private readonly even = new Group()
  private readonly beams = Array.from({ length: BEAMS }, () => new DirectionalLight('#ffffff', 1))
  private readonly sky = new HemisphereLight('#ffffff', '#ffffff', 1)
  private readonly out = new Group()
  private readonly around = new AmbientLight('#ffffff')
  private readonly left = new DirectionalLight('#fffaf0')
  private readonly back = new DirectionalLight('#e6eef6')

  constructor() {
    const { left, back } = this
    left.position.set(-4, -7, 9)
    back.position.set(6, 4, 3)
    this.even.add(this.around, left, back)
    this.shineOn('paper')
    this.sky.position.set(0, 0, 1)
    const [first] = this.beams
    first!.castShadow = true
    first!.shadow.mapSize.set(2048, 2048)
    first!.shadow.bias = -0.0012
    first!.shadow.normalBias = 0.02
    this.out.add(this.sky, ...this.beams.flatMap((b) => [b, b.target]))
    this.group.add(this.even, this.out)
    this.out.visible = false
  }

  /** The light that casts shadows. */
  get first(): DirectionalLight {
    return this.beams[0]!
  }

  /** Paper is near white and takes all light evenly; finishes are lit from one side more, and by what they mirror. */
  shineOn(look: 'paper' | 'finishes') {
    const isPaper = look === 'paper'
    this.around.intensity = isPaper ? 1.3 : 0.35
    this.left.intensity = isPaper ? 1.7 : 1.5
    this.back.intensity = isPaper ? 0.8 : 0.45
  }

  /**
   * @param mirrored whether surfaces are lit by what they mirror of the sky: then it lights nothing besides
   * @param look paper has no colour, whatever the light has
   * @returns whether shadows are cast now
   */
  shine(light: LightView | undefined, on: Box3, mirrored: boolean, look: 'paper' | 'finishes'): boolean {
    const seen = (to: Color, { r, g, b }: LightView['above']) => (look === 'paper' ? to.setScalar(0.2126 * r + 0.7152 * g + 0.0722 * b) : to.setRGB(r, g, b))
    const isMood = !!light && !light.even
    this.even.visible = !isMood
    this.out.visible = isMood
    if (!isMood) return false
    this.sky.visible = !mirrored
    seen(this.sky.color, light.above)
    seen(this.sky.groundColor, light.below)
    const centre = on.getCenter(new Vector3())
    const radius = Math.max(2, on.getSize(new Vector3()).length() / 2)
    this.beams.forEach((beam, i) => {
      const told = light.beams[i]
      beam.visible = !!told
      if (!told) return
      seen(beam.color, told.light)
      beam.target.position.copy(centre)
      beam.position.copy(centre).addScaledVector(new Vector3(told.toward.x, told.toward.y, told.toward.z).normalize(), radius * 1.5)
    })
    const { shadow } = this.beams[0]!
    // The sun as seen from earth has edges of a few texels; a larger light has wider ones.
    shadow.radius = 2 + 2 * light.sunDegrees
    const { camera } = shadow
    camera.left = camera.bottom = -radius
    camera.right = camera.top = radius
    camera.near = radius * 0.3
    camera.far = radius * 2.7
    camera.updateProjectionMatrix()
    return light.beams.length > 0
  }

  dispose() {
    this.beams.forEach((b) => b.dispose())
  }
}

/** What finishes mirror: a sky, or a bright ceiling, a warm ground and a window of light, so that gloss and metal read as such. */
export function outdoors(renderer: WebGLRenderer, sky?: Scene): Texture {
  const maker = new PMREMGenerator(renderer)
  const made = maker.fromScene(sky ?? plainRoom(), sky ? 0 : 0.04, 0.1, SEES_M).texture
  maker.dispose()
  return made
}

/** Farther than a sky is away. */
const SEES_M = 10_000

function plainRoom(): Scene {
  const scene = new Scene()
  const side = (colour: string, strength: number) => new MeshBasicMaterial({ color: new Color(colour).multiplyScalar(strength), side: BackSide })
  const wall = side('#cfd3d2', 0.5)
  // Faces of a box: right, left, far, near, up, down; Z is up.
  const room = new Mesh(new BoxGeometry(10, 10, 10), [wall, side('#dfe9f2', 0.9), wall, wall, side('#eef4f8', 1.1), side('#b9ad97', 0.35)])
  const lamp = new Mesh(new BoxGeometry(4, 4, 0.2), new MeshBasicMaterial({ color: new Color('#fff6e4').multiplyScalar(5) }))
  lamp.position.set(-2, -2, 4.6)
  scene.add(room, lamp)
  return scene
}
