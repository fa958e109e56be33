<script setup lang="ts">
import { Button, Switch } from 'ant-design-vue'
import { computed, onMounted, provide, ref, shallowRef } from 'vue'
import { get, type MouldingView, type PieceView, type ProfileView, type RoomView } from '../api/client'
import Choice from '../parts/Choice.vue'
import { REFUSED } from '../parts/refused'
import TextEntry from '../parts/TextEntry.vue'
import { meshUrl, tell, useSite } from '../site/site'
import BenchView from '../workshop/BenchView.vue'
import { PROFILES } from '../workshop/words'
import MouldingFields from './MouldingFields.vue'
import { useMouldings } from './mouldings'
import { counted } from '../measure/format'

/** What runs along the walls of rooms: rules of the building, each tuned or left out room by room, and the pieces that they come to. */
const site = useSite()
const mouldings = useMouldings()
provide(
  REFUSED,
  computed(() => mouldings.refusal),
)
const library = shallowRef<ProfileView[]>([])
onMounted(
  () =>
    void get<ProfileView[]>('/api/profiles')
      .then((all) => (library.value = all))
      .catch(tell),
)

const chosen = ref<number>()
const rule = computed(() => mouldings.rules.find((m) => m.id === chosen.value) ?? mouldings.rules[0])
/** The room whose own moulding is open. */
const open = ref<number>()
const USUAL = ['SKIRTING', 'CORNICE', 'HANDRAIL', 'BAR'] as const
const others = computed(() =>
  library.value
    .map((v) => v.section.kind)
    .filter((kind) => !(USUAL as readonly string[]).includes(kind))
    .map((value) => ({ value, label: PROFILES[value] })),
)
async function add(profile: ProfileView['section']['kind']) {
  const made = await mouldings.add(profile)
  if (made) chosen.value = made.id
}

const GAP_MM = 300
/** The longest first. */
const pieces = computed(() => (rule.value?.pieceIds ?? []).map((id) => site.pieces.find((p) => p.id === id)).filter((p): p is PieceView => !!p))
/** Its pieces beside one another, the shortest next to the figure. */
const shown = computed(() => {
  let x = 0
  return [...pieces.value].reverse().map((p) => {
    const at = x - p.boxMm.min.x
    x += p.sizeMm.x + GAP_MM
    return { url: meshUrl(site.site!.id, p), boxMm: p.boxMm, xMm: at }
  })
})
/** Lengths that were chosen, not those of what is left over beside something off the step. */
const isOdd = (p: PieceView) =>
  !isCorner(p) && !mouldings.all.some((m) => (m.id === rule.value!.id || m.ruleId === rule.value!.id) && m.lengthsMm.includes(p.sizeMm.x))
const isCorner = (p: PieceView) => /-(IN|OUT)(-|$)/.test(p.code)

const HAS = computed(
  () =>
    [
      { value: 'rule', label: rule.value?.on ? 'as the building' : 'as the building: none' },
      { value: 'own', label: 'its own' },
      { value: 'none', label: 'none' },
    ] as const,
)
const own = (room: RoomView) => mouldings.own(rule.value!, room.id)
const has = (room: RoomView) => {
  const one = own(room)
  return !one ? 'rule' : one.on ? 'own' : 'none'
}
async function give(room: RoomView, what: 'rule' | 'own' | 'none') {
  const one = own(room)
  if (what === 'rule') return one && void (await mouldings.remove(one.id))
  const id = one?.id ?? (await mouldings.addFor(rule.value!, room.id))?.id
  if (id === undefined) return
  await mouldings.put(id, what === 'own')
  open.value = what === 'own' ? room.id : undefined
}
const opened = computed<MouldingView | undefined>(() => (rule.value && open.value ? mouldings.own(rule.value, open.value) : undefined))
const says = (m: MouldingView) => (m.pieces ? `${counted(m.pieces, 'piece')} of ${counted(m.pieceIds.length, 'kind')}` : m.on ? 'no piece yet' : 'off')
</script>

<template>
  <div class="page">
    <nav class="list" aria-label="Mouldings">
      <p class="caps">along the walls</p>
      <ul>
        <li v-for="(m, i) in mouldings.rules" :key="m.id" :class="{ here: m.id === rule?.id }">
          <button type="button" class="plain name" :aria-pressed="m.id === rule?.id" @click="chosen = m.id">
            {{ m.name }}<span class="soft">{{ says(m) }}</span>
          </button>
          <button v-if="i" type="button" class="plain up" :aria-label="`Move ${m.name} up`" title="One place up" @click="mouldings.move(m.id, -1)">↑</button>
          <Switch size="small" :checked="m.on" :aria-label="`${m.name} is built`" @change="(on) => mouldings.put(m.id, !!on)" />
        </li>
      </ul>
      <div class="adding">
        <Button v-for="kind in USUAL" :key="kind" size="small" @click="add(kind)">+ {{ PROFILES[kind] }}</Button>
        <Choice label="Add another profile" placeholder="+ another …" :options="others" @change="add" />
      </div>
    </nav>
    <div v-if="!rule" class="empty">
      <p>Skirtings, cornices and rails run along the walls of all rooms in pieces of few lengths, with corner pieces of their own.</p>
      <p class="soft">Add one at the left. Doors, stairs and solids interrupt it; a room may have its own, or none.</p>
    </div>
    <template v-else>
      <div class="middle">
        <BenchView v-if="shown.length" :pieces="shown" :label="`${rule.name}, ${counted(shown.length, 'kind')}`" :of="String(rule.id)" />
        <p v-else class="soft none">
          {{ !site.site!.kit ? 'Choose a kit first: mouldings stand with the walls.' : rule.on ? 'No wall has room for it.' : 'It is switched off.' }}
        </p>
        <table v-if="pieces.length" class="ruled" aria-label="Pieces of the moulding">
          <thead>
            <tr>
              <th>Piece</th>
              <th class="right">Length</th>
              <th />
              <th class="right">Stand</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="p in pieces" :key="p.id">
              <td>
                <RouterLink :to="`/sites/${site.site!.id}/kit/workshop/${p.id}`">{{ p.code }}</RouterLink>
              </td>
              <td class="right figures">{{ isCorner(p) ? 'corner' : site.show(p.sizeMm.x) }}</td>
              <td class="soft">{{ isOdd(p) ? 'odd: what it meets is off the step' : '' }}</td>
              <td class="right figures">{{ p.count }}</td>
            </tr>
          </tbody>
        </table>
      </div>
      <aside class="panel side" aria-label="The moulding">
        <label class="field"
          ><span>Name</span
          ><TextEntry label="Name of the moulding" :value="rule.name" :maxlength="60" @commit="(name) => void mouldings.rename(rule!.id, name)"
        /></label>
        <MouldingFields :key="rule.id" :moulding="rule" :library="library" />
        <p v-if="mouldings.refusal" class="fault" role="alert">■ {{ mouldings.refusal.message }}</p>
        <div class="row">
          <Button size="small" title="With what rooms have in its place" @click="mouldings.remove(rule.id)">Take away</Button>
        </div>
        <section aria-label="Rooms">
          <h2>Rooms</h2>
          <table class="ruled">
            <tbody>
              <tr v-for="room in site.massing.rooms" :key="room.id" :class="{ taken: room.id === open }">
                <td>{{ room.name }}</td>
                <td class="right">
                  <Choice :label="`${rule.name} in ${room.name}`" :value="has(room)" :options="HAS" @change="(what) => void give(room, what)" />
                </td>
                <td>
                  <button
                    v-if="has(room) === 'own'"
                    type="button"
                    class="plain act"
                    :aria-expanded="open === room.id"
                    @click="open = open === room.id ? undefined : room.id">
                    {{ open === room.id ? 'close' : 'open' }}
                  </button>
                </td>
              </tr>
            </tbody>
          </table>
          <div v-if="opened" class="own" role="group" :aria-label="`In ${site.massing.rooms.find((r) => r.id === open)?.name}`">
            <p class="caps">in {{ site.massing.rooms.find((r) => r.id === open)?.name }}</p>
            <MouldingFields :key="opened.id" :moulding="opened" :library="library" />
          </div>
        </section>
      </aside>
    </template>
  </div>
</template>

<style scoped>
.page {
  flex: 1;
  min-height: 0;
  display: grid;
  grid-template-columns: 232px 1fr 372px;
}
.list ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
.list li {
  display: flex;
  align-items: center;
  gap: 6px;
  padding: 5px 12px;
}
.list li.here {
  box-shadow: inset 3px 0 0 var(--verdigris);
  background: var(--sheet);
}
.list .name {
  flex: 1;
  display: grid;
  text-align: left;
  min-height: 24px;
}
.list .name .soft {
  font-size: var(--small);
}
.up {
  width: 24px;
  height: 24px;
}
.adding {
  display: flex;
  flex-wrap: wrap;
  gap: 6px;
  padding: 10px 12px;
}
.empty {
  grid-column: 2 / 4;
  display: grid;
  align-content: center;
  justify-items: center;
  gap: 6px;
}
.middle {
  min-width: 0;
  min-height: 0;
  display: flex;
  flex-direction: column;
}
div.middle > table {
  margin: 8px 18px 14px;
  max-width: 560px;
}
.middle a {
  color: #1d5c57;
}
.none {
  margin: auto;
}
aside .ruled {
  width: 100%;
  margin: 0;
}
.own {
  display: grid;
  gap: 8px;
  border-left: 3px solid var(--plum);
  padding-left: 10px;
}
</style>
