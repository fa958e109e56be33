<script setup lang="ts">
import { computed, defineAsyncComponent, onBeforeUnmount, ref, watch } from 'vue'
import { useRoute } from 'vue-router'
import { useLaying } from '../repeat/laying'
import { usePlacing } from '../placing/placing'
import { useDeeds } from '../massing/deeds'
import { useEdits } from '../site/edits'
import { tell, useSite } from '../site/site'
import { useArrangement } from '../table/arrangement'
import { useGuide } from '../table/guide'
import { useTable } from '../table/table'
import { useStageClock } from './clock'
import GuideNote from './GuideNote.vue'
import FindLine from '../commands/FindLine.vue'
import PointerMenu from '../commands/PointerMenu.vue'
import { useCommands } from '../commands/commands'
import { useKeys } from './keys'
import HeaderBar from './HeaderBar.vue'
import KeysSheet from './KeysSheet.vue'
import StageIntroduction from './StageIntroduction.vue'
import SpineNav from './SpineNav.vue'
import { STAGES, type StageName } from './stages'

/** Each stage, and what it takes, is fetched when it is first entered. */
const BoardPage = defineAsyncComponent(() => import('../board/BoardPage.vue'))
const BriefStage = defineAsyncComponent(() => import('../brief/BriefStage.vue'))
const PinnedPicture = defineAsyncComponent(() => import('../board/PinnedPicture.vue'))
const BuildPanel = defineAsyncComponent(() => import('../ticket/BuildPanel.vue'))
const HandoverStage = defineAsyncComponent(() => import('../handover/HandoverStage.vue'))
const KitStage = defineAsyncComponent(() => import('../kit/KitStage.vue'))
const LineUp = defineAsyncComponent(() => import('../lineup/LineUp.vue'))
const MassingPanel = defineAsyncComponent(() => import('../massing/MassingPanel.vue'))
const SurveyPanel = defineAsyncComponent(() => import('../survey/SurveyPanel.vue'))
const TableView = defineAsyncComponent(() => import('../views/TableView.vue'))

const route = useRoute()
const site = useSite()
const edits = useEdits()
const placing = usePlacing()
const laying = useLaying()
const table = useTable()
const deeds = useDeeds()
const views = useArrangement()
const commands = useCommands()
const guide = useGuide()

const id = computed(() => Number(route.params.id))
/** A site opens on its set if it has one, else where its first room is typed. */
const stage = computed<StageName>(() => {
  const told = STAGES.find((s) => s.name === route.params.stage)?.name
  return told ?? (site.placements.size ? 'build' : 'massing')
})

watch(stage, (now) => (views.stage = now), { immediate: true, flush: 'sync' })
/** What is selected anew is told from its top. */
const side = ref<HTMLElement>()
watch(
  () => site.selections,
  () => side.value?.scrollTo(0, 0),
)

/** Whether the stage is worked at the Table. */
const hasTable = computed(() => views.isAtTable)
/** Where a piece can be taken. */
const hasLineUp = computed(() => stage.value === 'build')
/** Both are made when they are first needed, and stay. */
const tableIsMade = ref(false)
const lineUpIsMade = ref(false)
watch(hasTable, (now) => (tableIsMade.value ||= now), { immediate: true })
watch(hasLineUp, (now) => (lineUpIsMade.value ||= now), { immediate: true })
/** The board in a window of its own, for a second screen. */
const alone = computed(() => route.query.alone !== undefined)
useStageClock(stage)

watch(id, (now) => void site.open(now).catch(tell), { immediate: true })
watch(
  () => site.site?.name,
  (name) => (document.title = name ? `${name} – Hausbau` : 'Hausbau'),
)
watch(stage, (now) => {
  table.walking = false
  if (now !== 'survey') site.finding = undefined
  if (now !== 'build') {
    placing.putBack()
    laying.choose(undefined)
  }
  table.drawing = ''
})
onBeforeUnmount(() => {
  placing.putBack()
  site.close()
  document.title = 'Hausbau'
})

useKeys()
</script>

<template>
  <div class="shell">
    <HeaderBar v-if="!alone && !table.walking" />
    <div v-if="edits.away" class="away" role="alert">
      The server does not answer.
      {{ edits.count ? `${edits.count} ${edits.count === 1 ? 'edit is' : 'edits are'} kept and will be sent when it is back.` : 'Trying again …' }}
    </div>
    <main v-if="site.missing" class="missing">
      <h2>This site is not here.</h2>
      <p class="soft">It may have been deleted. <RouterLink to="/">All sites</RouterLink></p>
    </main>
    <p v-else-if="!site.site" class="missing soft" role="status">Loading the site …</p>
    <div v-else-if="alone" class="body"><BoardPage /></div>
    <div v-else class="body">
      <SpineNav v-if="!table.walking" :stage="stage" />
      <main class="middle">
        <GuideNote v-if="guide.isOn" />
        <StageIntroduction v-else-if="!table.walking" :stage="stage" />
        <BriefStage v-if="stage === 'brief'" />
        <KitStage v-else-if="stage === 'kit'" />
        <HandoverStage v-else-if="stage === 'handover'" />
        <div v-if="tableIsMade" v-show="hasTable" class="work">
          <TableView :massing="stage === 'massing'" @deed="deeds.finish" />
          <button
            v-if="!table.walking"
            type="button"
            class="fold"
            :class="{ folded: views.ticketFolded }"
            :aria-expanded="!views.ticketFolded"
            aria-label="Ticket"
            :title="views.ticketFolded ? 'Open the Ticket (T)' : 'Fold the Ticket away (T)'"
            @click="views.ticketFolded = !views.ticketFolded">
            {{ views.ticketFolded ? '‹' : '›' }}
          </button>
          <aside v-show="!views.ticketFolded && !table.walking" ref="side" class="side" aria-label="Ticket">
            <MassingPanel v-if="stage === 'massing'" />
            <BuildPanel v-else-if="stage === 'build'" />
            <SurveyPanel v-else-if="stage === 'survey'" />
          </aside>
        </div>
        <PinnedPicture v-if="stage !== 'brief' && !table.walking" />
        <LineUp v-if="lineUpIsMade" v-show="hasLineUp && !table.walking" />
      </main>
    </div>
    <KeysSheet v-model:open="commands.keysSheet" />
    <template v-if="site.site && !alone">
      <FindLine />
      <PointerMenu :massing="stage === 'massing'" />
    </template>
  </div>
</template>

<style scoped>
.shell {
  --ticket: clamp(296px, 23vw, 460px);
  height: 100%;
  display: flex;
  flex-direction: column;
}
.body {
  flex: 1;
  min-height: 0;
  display: flex;
}
.middle {
  flex: 1;
  min-width: 0;
  display: flex;
  flex-direction: column;
}
.work {
  position: relative;
  flex: 1;
  min-height: 0;
  display: flex;
}
.fold {
  position: absolute;
  right: var(--ticket);
  top: 50%;
  z-index: 4;
  width: 14px;
  height: 44px;
  padding: 0;
  border: 1px solid var(--hairline);
  border-right: 0;
  background: var(--sheet);
  color: var(--soft-ink);
  cursor: pointer;
}
.fold.folded {
  right: 0;
}
.side {
  width: var(--ticket);
  overflow-y: auto;
  border-left: 1px solid var(--hairline);
  background: var(--paper);
}
.away {
  background: var(--brick);
  color: #fff;
  padding: 5px 14px;
}
.missing {
  padding: 60px;
}
</style>
