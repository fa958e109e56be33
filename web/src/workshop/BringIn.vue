<script setup lang="ts">
import { Button, Checkbox } from 'ant-design-vue'
import { computed } from 'vue'
import { useRouter } from 'vue-router'
import Choice from '../parts/Choice.vue'
import NumberField from '../parts/NumberField.vue'
import { vHere } from '../parts/focus'
import { useSite } from '../site/site'
import BenchView from './BenchView.vue'
import { useDeliveries } from './deliveries'
import MaterialChoice from '../sheets/MaterialChoice.vue'
import { useMaterials } from '../sheets/materials'
import { FIXES, UNITS, UPS } from './words'

/** A file that was handed over: what is in it beside the figure, what was found about it, and how it is brought in. */
const site = useSite()
const router = useRouter()
const work = useDeliveries()
const materials = useMaterials()
/** A new material of the site's, in the colour that the file has. */
const AS_IN_FILE = 'as in its file'
function choose(material: string, swatch: string) {
  const others = Object.fromEntries(Object.entries(work.swatches).filter(([name]) => name !== material))
  work.swatches = swatch === AS_IN_FILE ? others : { ...others, [material]: swatch }
}
const delivery = computed(() => work.delivery)
const thing = computed(() => delivery.value?.things[work.thing])
const piece = computed(() => site.pieces.find((p) => p.id === work.pieceId))
const onBench = computed(() => (thing.value && work.meshUrl ? [{ url: work.meshUrl, boxMm: thing.value.boxMm, xMm: 0 }] : []))
const number = (v: number) => v.toLocaleString('en')
const size = computed(() => thing.value && (['x', 'y', 'z'] as const).map((a) => site.show(thing.value!.left.sizeMm[a])).join(' × '))
const hasUnit = computed(() => UNITS.some((u) => u.value === delivery.value?.choices.millimetres))
const units = computed(() =>
  hasUnit.value ? UNITS : [...UNITS, { value: delivery.value!.choices.millimetres, label: `${delivery.value!.choices.millimetres} mm` }],
)

type Found = NonNullable<typeof thing.value>['came']
const COUNTED = [
  { key: 'open', one: 'edge that only one face has', many: 'edges that only one face has' },
  { key: 'inward', one: 'face looks inward', many: 'faces look inward' },
  { key: 'doubled', one: 'face is there twice', many: 'faces are there twice' },
  { key: 'flat', one: 'face has no area', many: 'faces have no area' },
  { key: 'tangled', one: 'edge that more than two faces have', many: 'edges that more than two faces have' },
  { key: 'stray', one: 'point that no face uses', many: 'points that no face uses' },
] as const satisfies readonly { key: keyof Found; one: string; many: string }[]
/** What is wrong with it, or was until it was set right. */
const found = computed(() =>
  COUNTED.filter((c) => thing.value!.came[c.key] > 0).map((c) => {
    const left = thing.value!.left[c.key]
    const came = thing.value!.came[c.key]
    return { key: c.key, right: left === 0, says: `${number(came)} ${came === 1 ? c.one : c.many}${left && left !== came ? `, ${number(left)} left` : ''}` }
  }),
)
const faults = (t: { came: Found; left: Found }) => COUNTED.filter((c) => t.left[c.key] > 0).length
const off = computed(() =>
  (['x', 'y', 'z'] as const)
    .filter((a) => thing.value!.left.offMm[a] !== 0)
    .map((a) => `${a.toUpperCase()} ${thing.value!.left.offMm[a] > 0 ? '+' : '−'}${site.show(Math.abs(thing.value!.left.offMm[a]))}`)
    .join(', '),
)
/** Fixes that there is something to do for, or that are chosen. */
const fixes = computed(() => {
  const { came } = thing.value!
  const due = { WELD: came.open + came.doubled + came.flat > 0, OUTWARD: came.inward > 0, FIT: !came.fits }
  return FIXES.filter((f) => due[f.value] || delivery.value!.choices.fixes.includes(f.value)).map((f) => ({
    ...f,
    label: f.value === 'FIT' ? (piece.value && delivery.value!.sized ? `Stretch it to the size of ${piece.value.code}` : 'Stretch it to whole steps') : f.label,
  }))
})
function tick(n: number, on: boolean) {
  const now = new Set(work.pieceId === undefined ? work.taken : [])
  if (on) now.add(n)
  else now.delete(n)
  work.taken = now
  work.thing = n
}
const ROLES = [
  { value: 'PROP', label: 'a prop' },
  { value: 'PILLAR', label: 'a pillar' },
] as const
const verb = computed(() =>
  piece.value ? `Put it in place of ${piece.value.code}` : work.taken.size === 1 ? 'Bring it in' : `Bring in ${work.taken.size} pieces`,
)
async function bring() {
  const ids = await work.bring()
  if (ids?.length && !work.isOpen) void router.push(`/sites/${site.site!.id}/kit/workshop/${ids[0]}`)
}
</script>

<template>
  <div v-if="work.carrying" class="carrying" role="status">
    <p>
      {{ work.carrying.state === 'sending' ? 'Sending' : 'Reading' }} {{ work.carrying.name }} …
      <span class="figures">{{ Math.round(100 * work.carrying.share) }} %</span>
    </p>
    <progress :value="work.carrying.share" max="1" aria-label="How far it is" />
    <Button size="small" @click="work.cancel">Cancel</Button>
  </div>
  <template v-else-if="delivery && thing">
    <BenchView
      :pieces="onBench"
      :label="thing.name"
      :of="`${delivery.id} ${work.thing} ${delivery.choices.up} ${delivery.choices.millimetres}`"
      class="middle" />
    <aside v-here class="panel side" aria-label="Bring in">
      <h2>{{ delivery.name }}</h2>
      <div v-if="work.all.length > 1" class="row wrap" role="group" aria-label="Files">
        <Button
          v-for="(d, i) in work.all"
          :key="d.id"
          size="small"
          :type="i === work.number ? 'primary' : 'default'"
          :aria-pressed="i === work.number"
          @click="work.take(i)"
          >{{ d.name }}</Button
        >
      </div>
      <p v-if="work.refusal" class="fault" role="alert">■ {{ work.refusal }}</p>
      <div class="fields">
        <label class="field"
          ><span>One unit is</span
          ><Choice
            label="One unit of the file is"
            :value="delivery.choices.millimetres"
            :options="units"
            @change="(millimetres) => work.choose({ millimetres })"
        /></label>
        <label class="field"
          ><span>Up is</span><Choice label="Up is" :value="delivery.choices.up" :options="UPS" @change="(up) => work.choose({ up })"
        /></label>
      </div>
      <NumberField
        label="or, in millimetres"
        aria="One unit in millimetres"
        :value="delivery.choices.millimetres"
        fraction
        @change="(millimetres) => work.choose({ millimetres })" />
      <Checkbox
        v-if="delivery.things.length > 1 || delivery.choices.whole"
        :checked="delivery.choices.whole"
        @change="(e) => work.choose({ whole: e.target.checked })"
        >All of it is one piece</Checkbox
      >
      <ul v-if="delivery.things.length > 1" class="plain things" aria-label="Things in the file">
        <li v-for="t in delivery.things" :key="t.number" :class="{ taken: t.number === work.thing }">
          <Checkbox :checked="work.taken.has(t.number)" :aria-label="`Take ${t.name}`" @change="(e) => tick(t.number, e.target.checked)" />
          <button type="button" class="plain name" :aria-pressed="t.number === work.thing" @click="work.thing = t.number">
            {{ t.name }}<span v-if="faults(t)" class="caution"> ▲</span>
          </button>
          <span class="figures soft">{{ number(t.left.triangles) }}</span>
        </li>
      </ul>
      <section aria-label="What was found">
        <dl>
          <dt>Size</dt>
          <dd class="figures">{{ size }}</dd>
          <dt>Triangles</dt>
          <dd class="figures">{{ number(thing.left.triangles) }}</dd>
        </dl>
        <p v-if="thing.triangles.allowed" :class="thing.triangles.over ? 'caution' : 'right'">
          {{ thing.triangles.over ? '▲' : '✓' }} With it the set has {{ number(thing.triangles.spent) }} of the {{ number(thing.triangles.allowed) }} triangles
          in its budget
        </p>
        <p v-if="off" class="caution">▲ {{ delivery.sized ? `Misses ${piece!.code} by` : 'Off whole steps by' }} {{ off }}</p>
        <p v-for="f in found" :key="f.key" :class="f.right ? 'right' : 'caution'">{{ f.right ? '✓' : '▲' }} {{ f.says }}</p>
        <p v-if="!found.length" class="right">✓ It is closed, and its faces look outward</p>
        <p v-if="thing.came.uneven" class="soft">It is scaled unlike in different directions, or mirrored, in its file: that is baked in.</p>
        <p v-if="Math.abs(thing.came.belowMm) >= 1" class="soft">
          It {{ thing.came.belowMm > 0 ? 'begins' : 'floats' }} {{ site.show(Math.abs(thing.came.belowMm)) }}
          {{ thing.came.belowMm > 0 ? 'below' : 'above' }} its file's ground: it is set on the floor.
        </p>
        <p v-if="delivery.missing.length" class="caution">▲ Not handed over with it: {{ delivery.missing.join(', ') }}</p>
        <p v-if="delivery.leftOut.length" class="soft">Left out: {{ delivery.leftOut.join(', ') }}</p>
        <div v-for="f in fixes" :key="f.value">
          <Checkbox :checked="delivery.choices.fixes.includes(f.value)" :title="f.says" @change="(e) => void work.fix(f.value, e.target.checked)">{{
            f.label
          }}</Checkbox>
        </div>
      </section>
      <section aria-label="Materials">
        <h2>Materials</h2>
        <label v-for="m in delivery.materials" :key="m.name" class="material">
          <span>{{ m.name }}</span><MaterialChoice
            :label="`Finish of ${m.name}`"
            :value="work.swatches[m.name] ?? (m.colour ? AS_IN_FILE : m.swatch)"
            :options="m.colour ? [{ value: AS_IN_FILE, label: `new: ${m.colour}` }, ...materials.swatches] : materials.swatches"
            @change="(s) => choose(m.name, s)" />
        </label>
        <Checkbox
          v-if="thing.laidOut"
          v-model:checked="work.laidOut"
          title="Laid out as in its file, at the site's density on the whole; else each face as it lies"
          >Keep its own UVs</Checkbox
        >
        <Checkbox
          v-if="thing.laidOut && delivery.pictured.length"
          v-model:checked="work.pictures"
          title="Each material on a sheet of its own, just as its UVs have it; else finishes are made on Sheets"
          >Take {{ delivery.pictured.length === 1 ? 'its picture' : `the pictures of ${delivery.pictured.length} materials` }}</Checkbox
        >
        <p v-else-if="delivery.textures.length" class="soft">
          It asks for {{ delivery.textures.length === 1 ? 'a picture' : `${delivery.textures.length} pictures` }}: here, finishes are made on Sheets.
        </p>
      </section>
      <template v-if="!piece">
        <div class="fields">
          <label v-if="work.taken.size === 1" class="field"
            ><span>Name</span
            ><input
              class="text"
              aria-label="Name of the piece"
              maxlength="80"
              :value="work.names[work.thing] ?? thing.name"
              @input="(e) => (work.names = { ...work.names, [work.thing]: (e.target as HTMLInputElement).value })"
          /></label>
          <label class="field"><span>It is</span><Choice label="What it is" :value="work.role" :options="ROLES" @change="(r) => (work.role = r)" /></label>
        </div>
      </template>
      <div class="row">
        <Button type="primary" size="small" :disabled="!work.taken.size" @click="bring">{{ verb }}</Button>
        <Button size="small" @click="work.done">Leave it</Button>
      </div>
    </aside>
  </template>
</template>

<style scoped>
.carrying {
  grid-column: 2 / 4;
  align-self: center;
  justify-self: center;
  display: grid;
  gap: 8px;
  width: 320px;
}
progress {
  width: 100%;
  height: 8px;
  accent-color: var(--verdigris);
}
.middle {
  min-width: 0;
}
.wrap {
  flex-wrap: wrap;
}
section p {
  margin: 2px 0;
}
.right {
  color: #1d5c57;
}
.things {
  max-height: 180px;
  overflow-y: auto;
  border: 1px solid var(--hairline);
  background: var(--sheet);
}
.things li {
  display: grid;
  grid-template-columns: 22px 1fr auto;
  align-items: center;
  padding: 1px 8px;
}
.name {
  text-align: left;
}
.material {
  display: grid;
  grid-template-columns: 1fr 130px;
  gap: 8px;
  align-items: center;
  padding: 1px 0;
}
.text {
  font: 0.875rem/1.3 var(--sans);
  height: 24px;
  width: 100%;
  padding: 0 7px;
  border: 1px solid #b9b1a0;
  background: var(--sheet);
}
</style>
