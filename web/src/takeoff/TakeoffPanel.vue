<script setup lang="ts">
import { Button, Input, InputNumber, Switch } from 'ant-design-vue'
import Choice from '../parts/Choice.vue'
import { computed, ref } from 'vue'
import type { MarkView, PlaneView, TagView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import TextEntry from '../parts/TextEntry.vue'
import { tell } from '../site/site'
import { useBoard } from '../board/board'
import Proposals from './Proposals.vue'
import SquareOn from './SquareOn.vue'
import type { Quantity, Shape, Takeoff, Tool } from './takeoff'
import { ROLES } from '../list/roles'

type Unwrapped<T> = { [K in keyof T]: T[K] extends { value: infer V } ? V : T[K] }
const props = defineProps<{ takeoff: Unwrapped<Takeoff> }>()
const stamping = defineModel<boolean>('stamping', { required: true })
const board = useBoard()
const squareOn = ref<PlaneView>()
const newTag = ref('')
const newRole = ref<TagView['role']>('PROP')

const TOOLS: { tool: Tool; title: string }[] = [
  { tool: 'look', title: 'Look' },
  { tool: 'perspective', title: 'Perspective' },
  { tool: 'flat', title: 'Flat' },
  { tool: 'measure', title: 'Measure' },
  { tool: 'mark', title: 'Mark' },
]
const QUANTITIES: { value: Quantity; label: string }[] = [
  { value: 'LENGTH', label: 'length' },
  { value: 'WIDTH', label: 'width along the plane' },
  { value: 'HEIGHT', label: 'height' },
  { value: 'RECTANGLE', label: 'rectangle' },
  { value: 'ANGLE', label: 'angle' },
  { value: 'AREA', label: 'area' },
]
const SHAPES: { value: Shape; label: string }[] = [
  { value: 'RECTANGLE', label: 'rectangle' },
  { value: 'LINE', label: 'line' },
  { value: 'POINT', label: 'point' },
  { value: 'POLYGON', label: 'outline' },
]
const planes = computed(() => props.takeoff.planes.map((p) => ({ value: p.id, label: p.name })))
const tags = computed(() => props.takeoff.tags.map((t) => ({ value: t.id, label: `${t.letter} · ${t.name}` })))
const mark = computed(() => props.takeoff.marks.find((m) => m.id === props.takeoff.chosenMark))
const run = (work: Promise<unknown>) => void work.catch(tell)

const changeTag = (t: TagView, change: Partial<TagView>) => run(board.make(`Change the tag ${t.letter}`, 'PATCH', `/tags/${t.id}`, change))
async function addTag() {
  if (!newTag.value.trim()) return
  try {
    const made = await board.make<{ id: number }>('Add a tag', 'POST', '/tags', { name: newTag.value, role: newRole.value })
    newTag.value = ''
    await board.fetchAll()
    props.takeoff.tagId = made.id
  } catch (e) {
    tell(e)
  }
}
const changeMark = (m: MarkView, change: Partial<MarkView>) => run(board.make('Change a mark', 'PATCH', `/marks/${m.id}`, change))
const sizeOf = (m: MarkView) =>
  m.width && m.height
    ? `${props.takeoff.say(m.width)} × ${props.takeoff.say(m.height)}`
    : m.length
      ? props.takeoff.say(m.length)
      : m.area
        ? props.takeoff.say(m.area, 'AREA')
        : 'not measured'
</script>

<template>
  <div class="tools" role="group" aria-label="Tools">
    <button v-for="t in TOOLS" :key="t.tool" type="button" class="tool" :aria-pressed="takeoff.tool === t.tool" @click="takeoff.tool = t.tool">
      {{ t.title }}
    </button>
  </div>
  <p v-if="takeoff.fault" class="fault" role="alert">■ {{ takeoff.fault }}</p>

  <section v-if="takeoff.draft" class="part" aria-label="Plane">
    <h3>{{ takeoff.draft.kind === 'FLAT' ? 'A known length' : 'A rectangle of known size' }}</h3>
    <label class="field"><span>Name</span><Input v-model:value="takeoff.draft.name" size="small" aria-label="Plane name" :maxlength="200" /></label>
    <div class="fields three">
      <LengthField :label="takeoff.draft.kind === 'FLAT' ? 'Length' : 'Width'" :mm="takeoff.draft.widthMm" @change="(mm) => (takeoff.draft!.widthMm = mm)" />
      <LengthField v-if="takeoff.draft.kind === 'PERSPECTIVE'" label="Height" :mm="takeoff.draft.heightMm" @change="(mm) => (takeoff.draft!.heightMm = mm)" />
      <label class="field"
        ><span>Pick error, pixels</span
        ><InputNumber v-model:value="takeoff.draft.pickErrorPx" size="small" class="figures" :min="0.1" :max="50" :step="0.1" aria-label="Pick error in pixels"
      /></label>
    </div>
    <p class="soft">Drag a corner to mend it, or give it the focus and press an arrow. The grid must lie on the plane.</p>
    <div class="row">
      <Button size="small" type="primary" :disabled="!!takeoff.fault" @click="takeoff.saveDraft()">{{
        takeoff.draft.id ? 'Keep the change' : 'Keep the plane'
      }}</Button><Button size="small" @click="takeoff.draft = undefined">Drop it</Button>
    </div>
  </section>

  <section v-if="takeoff.tool === 'measure'" class="part" aria-label="Measure">
    <div class="fields">
      <label class="field"><span>What</span><Choice v-model:value="takeoff.quantity" :options="QUANTITIES" label="Quantity" /></label>
      <label class="field"
        ><span>On</span
        ><Choice
          :value="takeoff.plane?.id"
          :options="planes"
          placeholder="no plane yet"
          label="Plane to measure on"
          @change="(id) => (takeoff.planeId = Number(id))"
      /></label>
    </div>
    <ul v-if="takeoff.readings.length" aria-label="Readings">
      <li v-for="(r, i) in takeoff.readings" :key="i" class="row spread">
        <span class="soft">{{ QUANTITIES.find((q) => q.value === r.quantity)!.label }}</span><span class="figures">{{
          r.values.map((v) => takeoff.say(v, r.quantity)).join(' × ')
        }}</span>
      </li>
    </ul>
    <p v-else class="soft">Every value comes with one standard deviation, from the picking error.</p>
  </section>

  <section v-if="takeoff.tool === 'mark'" class="part" aria-label="Mark">
    <div class="fields">
      <label class="field"
        ><span>Tag</span
        ><Choice :value="takeoff.tag?.id" :options="tags" placeholder="no tag yet" label="Tag to mark with" @change="(id) => (takeoff.tagId = Number(id))"
      /></label>
      <label class="field"><span>Shape</span><Choice v-model:value="takeoff.shape" :options="SHAPES" label="Shape of the mark" /></label>
      <label class="field"
        ><span>On</span
        ><Choice :value="takeoff.plane?.id" :options="planes" placeholder="no plane" label="Plane to mark on" @change="(id) => (takeoff.planeId = Number(id))"
      /></label>
      <label class="field"
        ><span>Other finish</span><Input v-model:value="takeoff.finish" size="small" placeholder="none" aria-label="Finish" :maxlength="100"
      /></label>
    </div>
    <label class="row"
      ><Switch v-model:checked="stamping" size="small" :disabled="!takeoff.chosenMark" aria-label="Again with one click" /> Again: stamp the last one with one
      click (N)</label
    >
  </section>

  <section v-if="mark" class="part" aria-label="Chosen mark">
    <div class="row spread">
      <h3>Mark {{ takeoff.tags.find((t) => t.id === mark!.tagId)?.letter }}</h3>
      <span class="figures soft">{{ sizeOf(mark) }}</span>
    </div>
    <div class="fields">
      <label class="field"
        ><span>Tag</span><Choice :value="mark.tagId" :options="tags" label="Tag of the mark" @change="(id) => changeMark(mark!, { tagId: Number(id) })"
      /></label>
      <label class="field"
        ><span>Finish</span
        ><TextEntry :value="mark.finish" label="Finish of the mark" placeholder="none" :maxlength="100" @commit="(finish) => changeMark(mark!, { finish })"
      /></label>
    </div>
    <div class="row">
      <label class="row"
        ><Switch size="small" :checked="mark.mirrored" aria-label="Mirrored" @change="(on) => changeMark(mark!, { mirrored: !!on })" /> mirrored</label
      >
      <label class="row"><Switch size="small" :checked="mark.turned" aria-label="Turned" @change="(on) => changeMark(mark!, { turned: !!on })" /> turned</label>
      <Button size="small" danger @click="run(board.make('Remove a mark', 'POST', '/marks/removals', { ids: [mark.id] }))">Remove</Button>
    </div>
  </section>

  <section class="part" aria-label="Planes">
    <h3>Planes</h3>
    <p v-if="!takeoff.planes.length" class="soft">
      Not calibrated yet. Pick the four corners of a rectangle of known size, such as a door, or the two ends of a known length on a picture taken square on.
    </p>
    <ul v-else>
      <li v-for="p in takeoff.planes" :key="p.id" class="row spread" :class="{ chosen: p.id === takeoff.plane?.id }">
        <button type="button" class="plain" :aria-pressed="p.id === takeoff.plane?.id" @click="takeoff.planeId = p.id">{{ p.name }}</button>
        <span class="row">
          <button type="button" class="plain act" :aria-label="`Mend ${p.name}`" @click="takeoff.edit(p)">mend</button>
          <button type="button" class="plain act" :aria-label="`Show ${p.name} square on`" @click="squareOn = p">square on</button>
          <button type="button" class="plain act" :aria-label="`Remove ${p.name}`" @click="run(board.make('Remove the plane', 'DELETE', `/planes/${p.id}`))">
            remove
          </button>
        </span>
      </li>
    </ul>
  </section>

  <section class="part" aria-label="Tags">
    <h3>Tags</h3>
    <table v-if="takeoff.tags.length" class="ruled">
      <thead>
        <tr>
          <th>tag</th>
          <th>thing</th>
          <th class="right" title="on this picture">here</th>
          <th class="right">seen</th>
          <th class="right">in all</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="t in takeoff.tags" :key="t.id">
          <td>
            <b>{{ t.letter }}</b>
          </td>
          <td><TextEntry :value="t.name" :label="`Name of tag ${t.letter}`" :maxlength="200" @commit="(name) => changeTag(t, { name })" /></td>
          <td class="right figures">{{ takeoff.marks.filter((m) => m.tagId === t.id).length }}</td>
          <td class="right figures">{{ t.seen }}</td>
          <td class="right">
            <TextEntry
              class="figures few"
              :value="String(t.estimated)"
              :label="`Tag ${t.letter}, in all`"
              @commit="(n) => changeTag(t, { estimated: Math.max(0, Math.round(Number(n) || 0)) })" />
          </td>
          <td>
            <button
              type="button"
              class="plain act"
              :aria-label="`Remove tag ${t.letter}`"
              @click="run(board.make(`Remove the tag ${t.letter}`, 'DELETE', `/tags/${t.id}`))">
              remove
            </button>
          </td>
        </tr>
      </tbody>
    </table>
    <p v-else class="soft">One tag for each kind of thing that repeats. Colour and dirt do not count, shape does.</p>
    <div class="row">
      <Input v-model:value="newTag" size="small" placeholder="a thing that repeats" aria-label="New tag" :maxlength="200" @press-enter="addTag" />
      <Choice v-model:value="newRole" :options="ROLES" class="role" label="Role of the new tag" />
      <Button size="small" :disabled="!newTag.trim()" @click="addTag">Add</Button>
    </div>
  </section>
  <Proposals :takeoff="takeoff" />
  <SquareOn v-if="squareOn" :plane="squareOn" @close="squareOn = undefined" />
</template>

<style scoped>
.tools {
  display: flex;
  flex-wrap: wrap;
}
.tool {
  font: var(--small) var(--sans);
  color: var(--ink);
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 3px 9px;
  margin: 0 -1px -1px 0;
  cursor: pointer;
}
.tool[aria-pressed='true'] {
  background: var(--verdigris);
  border-color: var(--verdigris);
  color: #fff;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  min-height: 26px;
  font-size: var(--small);
}
li.chosen > button {
  font-weight: 600;
}
.few {
  width: 52px;
  text-align: right;
}
.role {
  width: 112px;
  flex: none;
}
</style>
