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

/** Where the sun stands: toward it, east, north and up; below the horizon Z is below 0. */
export interface Sun {
  x: number
  y: number
  z: number
}

/** The light of the set: even light for judging shape, or sun and sky with soft shadows. */
export class Daylight {
  readonly group = new Group()
  private readonly even = new Group()
  private readonly sun = new DirectionalLight('#fff1d8', 2.6)
  private readonly sky = new HemisphereLight('#dfe9f2', '#cfc7b6', 1.25)
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
    this.sun.castShadow = true
    this.sun.shadow.mapSize.set(2048, 2048)
    this.sun.shadow.radius = 3
    this.sun.shadow.bias = -0.0012
    this.sun.shadow.normalBias = 0.02
    this.out.add(this.sun, this.sun.target, this.sky)
    this.group.add(this.even, this.out)
    this.out.visible = false
  }

  /** Paper is near white and takes all light evenly; finishes are lit from one side more, and by what they mirror. */
  shineOn(look: 'paper' | 'finishes') {
    const isPaper = look === 'paper'
    this.around.intensity = isPaper ? 1.3 : 0.35
    this.left.intensity = isPaper ? 1.7 : 1.5
    this.back.intensity = isPaper ? 0.8 : 0.45
  }

  /** @returns whether shadows are cast now */
  shine(sun: Sun | undefined, on: Box3): boolean {
    this.even.visible = !sun
    this.out.visible = !!sun
    if (!sun) return false
    const centre = on.getCenter(new Vector3())
    const radius = Math.max(2, on.getSize(new Vector3()).length() / 2)
    const up = sun.z > 0
    this.sun.visible = up
    this.sky.intensity = up ? 1.25 : 0.5
    this.sun.intensity = 2.6 * Math.min(1, Math.max(0, sun.z) * 4 + 0.15)
    this.sun.target.position.copy(centre)
    this.sun.position.copy(centre).addScaledVector(new Vector3(sun.x, sun.y, sun.z).normalize(), radius * 1.5)
    const camera = this.sun.shadow.camera
    camera.left = camera.bottom = -radius
    camera.right = camera.top = radius
    camera.near = radius * 0.3
    camera.far = radius * 2.7
    camera.updateProjectionMatrix()
    return up
  }

  dispose() {
    this.sun.dispose()
  }
}

/** What finishes mirror: a bright sky, a warm ground and a window of light, so that gloss and metal read as such. */
export function outdoors(renderer: WebGLRenderer): Texture {
  const scene = new Scene()
  const side = (colour: string, strength: number) => new MeshBasicMaterial({ color: new Color(colour).multiplyScalar(strength), side: BackSide })
  const wall = side('#cfd3d2', 0.5)
  // Faces of a box: right, left, far, near, up, down; Z is up.
  const room = new Mesh(new BoxGeometry(10, 10, 10), [wall, side('#dfe9f2', 0.9), wall, wall, side('#eef4f8', 1.1), side('#b9ad97', 0.35)])
  const lamp = new Mesh(new BoxGeometry(4, 4, 0.2), new MeshBasicMaterial({ color: new Color('#fff6e4').multiplyScalar(5) }))
  lamp.position.set(-2, -2, 4.6)
  scene.add(room, lamp)
  const maker = new PMREMGenerator(renderer)
  const made = maker.fromScene(scene, 0.04).texture
  maker.dispose()
  return made
}
