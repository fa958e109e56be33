<script setup lang="ts">
import { Button, Input, Modal, Switch } from 'ant-design-vue'
import { onMounted, ref } from 'vue'
import { useRouter } from 'vue-router'
import { get, Refusal, send, type SiteBody, type SiteSummary, type SiteView } from '../api/client'
import { UNIT_NAMES, counted } from '../measure/format'
import { tell, useSite } from '../site/site'
import SiteFields from './SiteFields.vue'
import { vTypedFirst } from '../parts/focus'

const router = useRouter()
const sites = ref<SiteSummary[]>()
const away = ref(false)
const making = ref(false)
const refusal = ref<Refusal>()
const naming = ref<{ kind: 'rename' | 'copy'; site: SiteSummary; name: string }>()
const deleting = ref<SiteSummary>()
/** Whether a new site begins with plain props. */
const props = ref(true)
const usual = (): SiteBody => ({ name: '', unit: 'METRE', stepMm: 100, wallMm: 200, storeyMm: 3000, pixelsPerMetre: 256, tilesByCentre: false })
const body = ref(usual())
let asking = false

async function load() {
  try {
    sites.value = await get<SiteSummary[]>('/api/sites')
    away.value = false
  } catch {
    away.value = true
    setTimeout(() => void load(), 2000)
  }
}
onMounted(load)

function startMaking() {
  body.value = usual()
  refusal.value = undefined
  making.value = true
}

/** Once, however often Enter is pressed. */
async function make() {
  if (!making.value || asking) return
  asking = true
  try {
    const site = await useSite().inTurn(() => send<SiteView>('POST', `/api/sites?props=${props.value}`, body.value))
    making.value = false
    void router.push(`/sites/${site.id}/massing`)
  } catch (e) {
    if (e instanceof Refusal) refusal.value = e
    else tell(e)
  } finally {
    asking = false
  }
}

async function finishNaming() {
  const { kind, site, name } = naming.value!
  try {
    if (kind === 'copy') await send('POST', `/api/sites/${site.id}/copies`, { name })
    else await send('PATCH', `/api/sites/${site.id}`, { name })
    naming.value = undefined
    await load()
  } catch (e) {
    tell(e)
  }
}

async function finishDeleting() {
  try {
    await send('DELETE', `/api/sites/${deleting.value!.id}`)
  } catch (e) {
    tell(e)
  }
  deleting.value = undefined
  await load()
}

const when = (iso: string) => new Date(iso).toLocaleString('en-GB', { dateStyle: 'medium', timeStyle: 'short' })
</script>

<template>
  <main class="start">
    <header>
      <h1>Hausbau</h1>
      <p class="soft">Draw the rooms; get the smallest kit that builds them, and the set built from it.</p>
    </header>
    <div class="row spread head">
      <h2>Sites</h2>
      <Button type="primary" @click="startMaking">New site</Button>
    </div>
    <p v-if="away" class="note" role="status">The server does not answer. Trying again …</p>
    <p v-else-if="!sites" class="note" role="status">Loading the sites …</p>
    <p v-else-if="sites.length === 0" class="note">There is no site yet. Make one, and draw its first room.</p>
    <ul v-else aria-label="Sites">
      <li v-for="s in sites" :key="s.id">
        <RouterLink :to="`/sites/${s.id}`" class="open">
          <span v-if="!s.rooms && !s.placements" class="picture empty">Draw its first room</span>
          <img v-else-if="s.placements" class="picture" :src="`/api/sites/${s.id}/picture.png?revision=${s.revision}`" alt="" width="240" height="160" />
          <img v-else class="picture" :src="`/api/sites/${s.id}/plan.svg?revision=${s.revision}`" alt="" width="240" height="160" />
          <span class="name">{{ s.name }}</span>
          <span class="figures soft"> {{ counted(s.rooms, 'room') }} · {{ counted(s.placements, 'placement') }} · {{ UNIT_NAMES[s.unit] }} </span>
          <span class="soft when">changed {{ when(s.changedAt) }}</span>
        </RouterLink>
        <span class="row">
          <Button size="small" :aria-label="`Rename ${s.name}`" @click="naming = { kind: 'rename', site: s, name: s.name }">Rename</Button>
          <Button size="small" :aria-label="`Copy ${s.name}`" @click="naming = { kind: 'copy', site: s, name: `${s.name} copy` }">Copy</Button>
          <Button size="small" danger :aria-label="`Delete ${s.name}`" @click="deleting = s">Delete</Button>
        </span>
      </li>
    </ul>

    <Modal v-model:open="making" destroy-on-close title="New site" ok-text="Make the site" :ok-button-props="{ disabled: !body.name.trim() }" @ok="make">
      <SiteFields v-model="body" :refusal="refusal" @submit="body.name.trim() && make()" />
      <label class="row"
        ><Switch v-model:checked="props" size="small" aria-label="Begin with a few plain props" /> Begin with a few plain props
        <span class="soft">(crate, table, chair, shelf, barrel, sign, lamp)</span></label
      >
    </Modal>
    <Modal
      destroy-on-close
      :open="!!naming"
      :title="naming?.kind === 'copy' ? 'Copy the site' : 'Rename the site'"
      :ok-text="naming?.kind === 'copy' ? 'Copy' : 'Rename'"
      :ok-button-props="{ disabled: !naming?.name.trim() }"
      @ok="finishNaming"
      @cancel="naming = undefined">
      <Input v-if="naming" v-typed-first v-model:value="naming.name" :maxlength="200" aria-label="Name" @press-enter="finishNaming" />
    </Modal>
    <Modal
      :open="!!deleting"
      title="Delete the site?"
      ok-text="Delete it"
      :ok-button-props="{ danger: true }"
      @ok="finishDeleting"
      @cancel="deleting = undefined">
      <p>“{{ deleting?.name }}” goes with its rooms, pieces, placements and journal. This cannot be undone.</p>
    </Modal>
  </main>
</template>

<style scoped>
.start {
  max-width: 980px;
  margin: 0 auto;
  padding: 56px 24px;
}
h1 {
  font-size: 2.125rem;
  font-weight: 600;
  letter-spacing: -0.01em;
  border-bottom: 2px solid var(--ink);
  padding-bottom: 4px;
  margin-bottom: 8px;
}
.head {
  margin: 40px 0 8px;
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
  background: var(--sheet);
  border: 1px solid var(--hairline);
}
li {
  display: flex;
  align-items: center;
  gap: 12px;
  padding: 10px 14px;
}
li + li {
  border-top: 1px solid var(--hairline);
}
.open {
  flex: 1;
  display: grid;
  grid-template-columns: 240px 1fr;
  grid-template-rows: 1fr auto auto auto 1fr;
  column-gap: 18px;
  color: inherit;
}
.open > :not(.picture) {
  grid-column: 2;
}
.name {
  grid-row: 2;
}
.open .figures {
  grid-row: 3;
}
.open .when {
  grid-row: 4;
}
.picture {
  grid-row: 1 / -1;
  background: var(--paper);
  border: 1px solid var(--hairline);
}
.picture.empty {
  display: grid;
  place-items: center;
  height: 160px;
  color: #1d5c57;
}
.open:hover .name {
  color: var(--verdigris);
}
.name {
  font-size: 1rem;
  font-weight: 600;
}
.when {
  font-size: var(--small);
}
.note {
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 20px 14px;
}
</style>
