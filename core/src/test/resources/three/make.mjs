// Writes the files beside it with three.js's own exporters: a bevelled column on a plate, in metres, Y up; the plate turned and
// scaled unlike in different directions. Run: node core/src/test/resources/three/make.mjs (in the project, after the web is installed).
import { writeFileSync } from 'node:fs'

const three = new URL('../../../../../web/node_modules/three/', import.meta.url)
const load = (path) => import(new URL(path, three))
globalThis.FileReader = class {
  readAsArrayBuffer(blob) {
    blob.arrayBuffer().then((bytes) => ((this.result = bytes), this.onloadend?.()))
  }
}
const { BoxGeometry, CylinderGeometry, Group, Mesh, MeshStandardMaterial } = await load('build/three.module.js')
const { GLTFExporter } = await load('examples/jsm/exporters/GLTFExporter.js')
const { OBJExporter } = await load('examples/jsm/exporters/OBJExporter.js')
const { STLExporter } = await load('examples/jsm/exporters/STLExporter.js')

const set = new Group()
const column = new Mesh(new CylinderGeometry(0.2, 0.25, 2, 12), new MeshStandardMaterial({ name: 'cast iron', metalness: 1 }))
column.name = 'column'
column.position.y = 1.1
const plate = new Mesh(new BoxGeometry(1, 1, 1), new MeshStandardMaterial({ name: 'oak' }))
plate.name = 'plate'
plate.position.y = 0.05
plate.scale.set(0.6, 0.1, 0.8)
set.add(column, plate)
set.updateMatrixWorld(true)

const to = (name) => new URL(name, import.meta.url)
writeFileSync(to('column.glb'), Buffer.from(await new GLTFExporter().parseAsync(set, { binary: true })))
writeFileSync(to('column.obj'), new OBJExporter().parse(set))
writeFileSync(to('column.stl'), Buffer.from(new STLExporter().parse(set, { binary: true }).buffer))
