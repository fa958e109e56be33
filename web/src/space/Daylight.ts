import { AmbientLight, Box3, DirectionalLight, Group, HemisphereLight, Vector3 } from 'three'

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

  constructor() {
    const left = new DirectionalLight('#fffaf0', 1.7)
    left.position.set(-4, -7, 9)
    const back = new DirectionalLight('#e6eef6', 0.8)
    back.position.set(6, 4, 3)
    this.even.add(new AmbientLight('#ffffff', 1.3), left, back)
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
