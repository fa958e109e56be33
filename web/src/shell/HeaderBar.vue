<script setup lang="ts">
import { Modal, Tooltip } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { Refusal, type SiteBody } from '../api/client'
import { formatBytes, formatCount } from '../measure/format'
import { useEdits } from '../site/edits'
import { tell, useSite } from '../site/site'
import { usePlacing } from '../placing/placing'
import Choice from '../parts/Choice.vue'
import { useArrangement } from '../table/arrangement'
import { useTable } from '../table/table'
import { useCommands } from '../commands/commands'
import SiteFields from '../start/SiteFields.vue'

const site = useSite()
const edits = useEdits()
const placing = usePlacing()
const table = useTable()
const commands = useCommands()
const views = useArrangement()
const body = ref<SiteBody>({ name: '' })
const refusal = ref<Refusal>()

const saved = computed(() => (edits.away ? 'not answered' : edits.count ? 'saving …' : 'saved'))
const over = computed(() => site.tally?.budget.filter((l) => l.over).map((l) => l.what) ?? [])
const run = (work: () => Promise<unknown>) => void site.inTurn(work).catch(tell)

function undoAnothers() {
  Modal.confirm({
    title: 'Take back another’s step?',
    content: `“${site.site!.others}” was made in another window. Whoever made it can do it again.`,
    okText: 'Take it back',
    onOk: () => site.inTurn(site.undoAnothers).catch(tell),
  })
}

function open() {
  const s = site.site!
  body.value = {
    name: s.name,
    unit: s.unit,
    stepMm: s.stepMm,
    wallMm: s.wallMm,
    storeyMm: s.storeyMm,
    pixelsPerMetre: s.pixelsPerMetre,
    tilesByCentre: s.tilesByCentre,
    tilesTurned: s.tilesTurned,
    tilesMirrored: s.tilesMirrored,
    skins: s.skins,
    guardDropMm: s.guardDropMm,
    corners: s.corners,
    cornerLegMm: s.cornerLegMm,
  }
  refusal.value = undefined
}
watch(
  () => commands.settingUp,
  (now) => now && open(),
)

async function save() {
  try {
    await site.inTurn(() => site.make('Change the site’s settings', 'PATCH', '', body.value))
    commands.settingUp = false
  } catch (e) {
    if (e instanceof Refusal) refusal.value = e
    else tell(e)
  }
}
</script>

<template>
  <header v-if="site.site" class="bar">
    <RouterLink to="/" class="home" title="All sites" aria-label="All sites">Hausbau</RouterLink>
    <button type="button" class="plain site" title="Site settings" @click="commands.settingUp = true">
      {{ site.site.name }} <span class="soft">settings</span>
    </button>
    <span class="figures soft step">step {{ site.show(site.site.stepMm) }}</span>
    <Choice
      v-if="views.isAtTable && site.massing.levels.length > 1"
      class="level"
      label="Level"
      :value="table.level?.id"
      :options="[...site.massing.levels].reverse().map((l) => ({ value: l.id, label: l.name }))"
      @change="table.goToLevel" />
    <button v-if="views.stage === 'build'" type="button" class="plain snap" :aria-pressed="placing.snaps" @click="placing.snaps = !placing.snaps">
      <span class="dot" :class="{ on: placing.snaps }" />{{ placing.snaps ? 'snapping' : 'free' }}
    </button>
    <span class="undo">
      <Tooltip :title="site.site.undo ? `Undo: ${site.site.undo}` : 'Nothing to undo'">
        <button type="button" class="plain" :disabled="!site.site.undo" :aria-label="`Undo ${site.site.undo}`" @click="run(site.undo)">
          ↶ <span class="what">{{ site.site.undo || 'undo' }}</span>
        </button>
      </Tooltip>
      <Tooltip :title="site.site.redo ? `Redo: ${site.site.redo}` : 'Nothing to redo'">
        <button type="button" class="plain" :disabled="!site.site.redo" :aria-label="`Redo ${site.site.redo}`" @click="run(site.redo)">
          ↷ <span class="what">{{ site.site.redo || 'redo' }}</span>
        </button>
      </Tooltip>
      <button
        v-if="site.site.others"
        type="button"
        class="plain"
        title="The last step was made in another window"
        :aria-label="`Undo another’s step: ${site.site.others}`"
        @click="undoAnothers">
        ↶ another’s
      </button>
    </span>
    <span class="saved figures" role="status">{{ saved }}</span>
    <RouterLink v-if="over.length" class="fault over" :to="`/sites/${site.site.id}/brief/intent`" :title="`Over the budget: ${over.join(', ')}`"
      >■ over budget</RouterLink
    >
    <dl v-if="site.tally" class="tally" aria-label="Tally">
      <div>
        <dt>kinds</dt>
        <dd data-testid="tally-kinds">{{ site.tally.kinds }}</dd>
      </div>
      <div>
        <dt>placements</dt>
        <dd data-testid="tally-placements">{{ formatCount(site.tally.placements) }}</dd>
      </div>
      <div>
        <dt>draw calls</dt>
        <dd data-testid="tally-calls">{{ site.tally.drawCalls }}</dd>
      </div>
      <div>
        <dt>triangles</dt>
        <dd data-testid="tally-triangles">{{ formatCount(site.tally.triangles) }}</dd>
      </div>
      <div :title="`Without instancing it would be ${formatBytes(site.tally.flatBytes)}`">
        <dt>memory</dt>
        <dd>{{ formatBytes(site.tally.instancedBytes) }}</dd>
      </div>
    </dl>
    <button type="button" class="plain help" title="Find and do (F)" aria-label="Find and do" @click="commands.finding = true">
      <svg width="14" height="14" viewBox="0 0 14 14" aria-hidden="true">
        <path d="M9.2 9.2 13 13M6 10.5a4.5 4.5 0 1 0 0-9 4.5 4.5 0 0 0 0 9z" fill="none" stroke="currentColor" stroke-width="1.5" />
      </svg>
    </button>
    <button type="button" class="plain help" aria-label="Keys" title="Keys (?)" @click="commands.keysSheet = true">?</button>
    <Modal v-model:open="commands.settingUp" destroy-on-close title="Site settings" ok-text="Save" @ok="save"
      ><SiteFields v-model="body" :refusal="refusal" @submit="save"
    /></Modal>
  </header>
</template>

<style scoped>
.level {
  width: 120px;
  flex: none;
}
.bar {
  display: flex;
  align-items: center;
  gap: 16px;
  height: 40px;
  padding: 0 14px;
  background: var(--sheet);
  border-bottom: 1px solid var(--ink);
  white-space: nowrap;
}
/* A small window, or a large zoom. */
@media (max-width: 1000px) {
  .bar {
    flex-wrap: wrap;
    height: auto;
    min-height: 40px;
    gap: 2px 14px;
    padding: 4px 14px;
  }
}
.home {
  font-weight: 600;
  font-size: 1rem;
  color: var(--ink);
}
.site {
  font-weight: 600 !important;
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 60px;
}
.site .soft {
  font-weight: 400;
  font-size: var(--small);
}
.dot {
  display: inline-block;
  width: 8px;
  height: 8px;
  margin-right: 5px;
  border: 1.5px solid var(--verdigris);
}
.dot.on {
  background: var(--verdigris);
}
.undo {
  display: flex;
  gap: 12px;
  min-width: 0;
  flex: 1 1 auto;
}
.undo button {
  overflow: hidden;
  text-overflow: ellipsis;
  min-width: 26px;
  color: var(--verdigris);
  font-size: var(--small);
}
.undo button:disabled {
  color: #8b8778;
  cursor: default;
}
.saved {
  color: var(--soft-ink);
}
.tally {
  display: flex;
  gap: 13px;
  margin: 0;
}
.tally div {
  display: grid;
  line-height: 1.15;
}
dt {
  font-size: var(--small);
  color: var(--soft-ink);
}
dd {
  margin: 0;
  font: var(--small) var(--mono);
}
.help {
  border: 1px solid var(--hairline) !important;
  width: 24px;
  height: 24px;
  flex: none;
  display: grid;
  place-items: center;
}
</style>
