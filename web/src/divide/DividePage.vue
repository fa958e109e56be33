<script setup lang="ts">
import { Button, Checkbox, Input, Switch } from 'ant-design-vue'
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { Refusal, send, type DivisionView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { tell, useSite } from '../site/site'
import { counted, formatBare } from '../measure/format'
import { useBoard } from '../board/board'

/** The sum on the back of the envelope: lengths into pieces, exactly, the best way first. */
const site = useSite()
const board = useBoard()
interface Side {
  name: string
  lengthMm: number
  fixed: { name: string; lengthMm: number }[]
}
const sides = reactive<Side[]>([{ name: 'wall', lengthMm: 2000, fixed: [{ name: 'door', lengthMm: 300 }] }])
const agree = ref(false)
const extra = reactive<number[]>([500])
const unchosen = reactive(new Set<string>())
const limits = reactive({ minMm: 100, maxMm: 4000 })
const answers = shallowRef<DivisionView[]>()
const fault = ref('')
let asking: AbortController | undefined

/** Widths of listed pieces, each once. */
const listed = computed(() => {
  const widths = new Map<number, string[]>()
  for (const l of board.list) if (l.sizeMm.x > 0 && l.role !== 'PROP') widths.set(l.sizeMm.x, [...(widths.get(l.sizeMm.x) ?? []), l.code])
  for (const p of site.pieces) if (p.role === 'WALL' && !widths.has(p.sizeMm.x)) widths.set(p.sizeMm.x, [p.code])
  return [...widths].map(([mm, codes]) => ({ mm, code: codes[0]! })).sort((a, b) => b.mm - a.mm)
})
const known = computed(() => [...new Set([...extra, ...listed.value.filter((l) => !unchosen.has(l.code)).map((l) => l.mm)])])
watch(listed, (now, before) => before === undefined || now.forEach((l) => !before.some((b) => b.code === l.code) && unchosen.add(l.code)))
listed.value.forEach((l) => unchosen.add(l.code))

async function divide() {
  asking?.abort()
  const mine = (asking = new AbortController())
  try {
    answers.value = await send<DivisionView[]>(
      'POST',
      '/api/divisions',
      { sides, agree: agree.value, knownMm: known.value, stepMm: site.site!.stepMm, minPieceMm: limits.minMm, maxPieceMm: limits.maxMm, unit: site.unit },
      { signal: mine.signal },
    )
    fault.value = ''
  } catch (e) {
    if (mine.signal.aborted) return
    answers.value = undefined
    if (e instanceof Refusal) fault.value = e.message
    else tell(e)
  }
}
watch([sides, agree, known, limits], () => void divide(), { deep: true, immediate: true })

const SORTS = { KNOWN: '● exact, as listed', ONE_NEW: '◆ exact, one new piece', CHANGED: '▲ a length changes' }
const longest = computed(() => Math.max(1, ...(answers.value ?? []).flatMap((a) => a.sides.map((s) => s.lengthMm))))
/** What stands in a side, in the order it is drawn: fixed items first to the left, then the pieces. */
const drawn = (side: DivisionView['sides'][number]) => {
  let at = 0
  return [...side.fixed.map((f) => ({ mm: f.lengthMm, fixed: f.name })), ...side.piecesMm.map((mm) => ({ mm, fixed: '' }))].map((item) => {
    const here = { ...item, at }
    at += item.mm
    return here
  })
}
</script>

<template>
  <div class="divide">
    <section class="question" aria-label="What is to be divided">
      <h2>What is to be divided</h2>
      <p class="soft">A length may be typed as a sum, such as 200 mm + 500 mm + 400 mm.</p>
      <article v-for="(s, i) in sides" :key="i">
        <div class="row">
          <label class="field grow"
            ><span>Name</span><Input v-model:value="s.name" size="small" :aria-label="`Name of length ${i + 1}`" :maxlength="100"
          /></label>
          <LengthField :label="`Length ${i + 1}`" :mm="s.lengthMm" @change="(mm) => (s.lengthMm = mm)" />
          <button type="button" class="plain act" :disabled="sides.length < 2" :aria-label="`Remove ${s.name}`" @click="sides.splice(i, 1)">remove</button>
        </div>
        <div v-for="(f, k) in s.fixed" :key="k" class="row fixed">
          <span class="soft">in it</span>
          <Input v-model:value="f.name" size="small" :aria-label="`Fixed item ${k + 1} of ${s.name}`" :maxlength="100" />
          <LengthField label="" :aria="`Length of ${f.name} in ${s.name}`" :mm="f.lengthMm" @change="(mm) => (f.lengthMm = mm)" />
          <button type="button" class="plain act" :aria-label="`Remove ${f.name} from ${s.name}`" @click="s.fixed.splice(k, 1)">remove</button>
        </div>
        <Button size="small" @click="s.fixed.push({ name: 'door', lengthMm: 1000 })">Something stands in it</Button>
      </article>
      <div class="row spread">
        <Button size="small" :disabled="sides.length >= 20" @click="sides.push({ name: `side ${sides.length + 1}`, lengthMm: 2000, fixed: [] })"
          >Another length</Button
        >
        <label class="row"><Switch v-model:checked="agree" size="small" aria-label="They must come to the same length" /> they must agree</label>
      </div>
      <h3>Pieces there are</h3>
      <div class="pieces">
        <label v-for="(mm, i) in extra" :key="`x${i}`" class="row"
          ><LengthField label="" :aria="`Piece ${i + 1}`" :mm="mm" @change="(to) => (extra[i] = to)" />
          <button type="button" class="plain act" :aria-label="`Remove the piece of ${site.show(mm)}`" @click="extra.splice(i, 1)">remove</button></label
        >
        <Checkbox
          v-for="l in listed"
          :key="l.code"
          :checked="!unchosen.has(l.code)"
          @change="(e) => (e.target.checked ? unchosen.delete(l.code) : unchosen.add(l.code))"
          ><span class="figures">{{ site.show(l.mm) }}</span> {{ l.code }}</Checkbox
        >
        <Button size="small" @click="extra.push(1000)">Another piece</Button>
      </div>
      <h3>A new piece may be</h3>
      <div class="fields">
        <LengthField label="at least" :mm="limits.minMm" @change="(mm) => (limits.minMm = mm)" />
        <LengthField label="at most" :mm="limits.maxMm" @change="(mm) => (limits.maxMm = mm)" />
      </div>
    </section>
    <section class="answers" aria-label="Ways to divide">
      <h2>Ways to do it, best first</h2>
      <p v-if="fault" class="fault" role="alert">■ {{ fault }}</p>
      <p v-else-if="answers && !answers.length" class="soft">No sum comes out: allow a new piece of other sizes, or add a piece that there is.</p>
      <ol>
        <li v-for="(a, n) in answers" :key="n">
          <div class="row spread">
            <b>{{ SORTS[a.sort] }}</b><span class="figures soft">{{ counted(a.pieces, 'piece') }} · {{ counted(a.kinds, 'kind') }}</span>
          </div>
          <p>{{ a.why }}</p>
          <svg
            v-for="s in a.sides"
            :key="s.name"
            :viewBox="`0 0 640 ${a.sides.length > 1 ? 50 : 44}`"
            role="img"
            :aria-label="`${s.name}, ${site.show(s.lengthMm)}: ${[...s.fixed.map((f) => `${f.name} ${site.show(f.lengthMm)}`), ...s.piecesMm.map(site.show)].join(', ')}`">
            <text v-if="a.sides.length > 1" x="0" y="10" class="small">{{ s.name }} {{ formatBare(s.lengthMm, site.unit) }}</text>
            <g v-for="(i, k) in drawn(s)" :key="k" :transform="`translate(${(i.at / longest) * 638 + 1} ${a.sides.length > 1 ? 16 : 10})`">
              <rect :width="(i.mm / longest) * 638" height="28" :class="{ fixed: i.fixed, fresh: !i.fixed && i.mm === a.newPieceMm }" />
              <text v-if="(i.mm / longest) * 638 > 30" :x="(i.mm / longest) * 319" y="18">{{ i.fixed || formatBare(i.mm, site.unit) }}</text>
            </g>
          </svg>
        </li>
      </ol>
    </section>
  </div>
</template>

<style scoped>
.divide {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 400px 1fr;
}
.question,
.answers {
  overflow-y: auto;
  padding: 16px 20px;
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.question {
  border-right: 1px solid var(--hairline);
}
article {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 8px 10px;
  display: flex;
  flex-direction: column;
  gap: 6px;
  align-items: stretch;
}
article > .ant-btn {
  align-self: flex-start;
}
.row {
  align-items: end;
}
.fixed {
  align-items: center;
  white-space: nowrap;
}
.grow {
  flex: 1;
}
.pieces {
  display: flex;
  flex-direction: column;
  gap: 4px;
  align-items: flex-start;
}
.pieces :deep(.ant-checkbox-wrapper) {
  margin: 0;
}
ol {
  list-style: none;
  margin: 0;
  padding: 0;
  display: grid;
  gap: 14px;
  max-width: 760px;
}
li {
  border-top: 1px solid var(--hairline);
  padding-top: 8px;
}
svg {
  display: block;
  width: 100%;
}
rect {
  fill: #f3eee2;
  stroke: var(--ink);
  stroke-width: 1.2;
}
rect.fixed {
  fill: var(--sheet);
  stroke-dasharray: 4 3;
}
rect.fresh {
  fill: rgba(47, 127, 121, 0.3);
}
text {
  font: var(--small) var(--mono);
  fill: var(--ink);
  text-anchor: middle;
}
text.small {
  text-anchor: start;
  font-size: var(--small);
}
</style>
