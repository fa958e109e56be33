<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed, ref, watch } from 'vue'
import { useSite } from '../site/site'
import AssembliesPanel from '../repeat/AssembliesPanel.vue'
import { useAssembling } from '../repeat/assembling'
import LayPanel from '../repeat/LayPanel.vue'
import { useLaying } from '../repeat/laying'
import { useTwinning } from '../repeat/twinning'
import TwinsPanel from '../repeat/TwinsPanel.vue'
import RepeatPanel from '../repeat/RepeatPanel.vue'
import LengthField from '../parts/LengthField.vue'
import ByHandList from './ByHandList.vue'
import PlacementTicket from './PlacementTicket.vue'
import { useSeeing } from './seeing'
import RepetitionPanel from './RepetitionPanel.vue'
import SelectionsPanel from './SelectionsPanel.vue'
import SiteLists from './SiteLists.vue'
import { usePlacing } from '../placing/placing'

/** The Ticket where pieces are placed: of what is selected or in the hand, and with nothing there the site's lists. */
const site = useSite()
const placing = usePlacing()
const laying = useLaying()
const seeing = useSeeing()
const assembling = useAssembling()
const twinning = useTwinning()
/** What is in the hand, where it does not stand. */
const clinging = computed(() => {
  const piece = site.pieceById.get(placing.heldPieceId ?? 0)
  return piece && piece.trait.held !== 'STANDS' ? piece : undefined
})
/** The lists are looked at though something is selected. */
const listing = ref(false)
const isAbout = computed(() => !!(laying.chosen || laying.what || site.selected.length || placing.holds || assembling.open || twinning.active))
watch([() => site.selections, () => laying.chosen, () => placing.held], () => (listing.value = false), { flush: 'sync' })
</script>

<template>
  <div class="panel">
    <p v-if="seeing.isVeiled" class="row spread veiled" role="status">
      <span>{{ seeing.words }}</span>
      <Button size="small" @click="seeing.showAll()">Show all</Button>
    </p>
    <RepetitionPanel v-if="seeing.repetition" class="first" />
    <template v-if="isAbout && !listing">
      <button type="button" class="plain act back" title="What the site has" @click="listing = true">‹ Lists</button>
      <section v-if="clinging" class="first" aria-label="Where it clings">
        <h3>{{ clinging.code }} {{ clinging.trait.held === 'HANGS' ? 'hangs' : 'is fixed to a wall' }}</h3>
        <div class="fields">
          <LengthField label="Height of its base" :mm="placing.heightMm" :on-change="(mm) => (placing.heightMm = mm)" />
          <LengthField
            :label="clinging.trait.held === 'HANGS' ? 'Below what holds it' : 'Away from the wall'"
            :mm="placing.offMm"
            :on-change="(mm) => (placing.offMm = mm)" />
        </div>
        <Button v-if="placing.heightMm !== undefined" size="small" @click="placing.heightMm = undefined">As high as it is pointed at</Button>
      </section>
      <RepeatPanel v-if="laying.chosen" :key="laying.chosen.id" class="first" />
      <PlacementTicket v-else-if="site.selected.length" :key="site.selections" :ids="[...site.selection]" class="first" />
      <LayPanel :lists="false" />
      <AssembliesPanel :lists="false" />
      <TwinsPanel :lists="false" />
      <SelectionsPanel :lists="false" />
    </template>
    <div v-show="!isAbout || listing" class="lists">
      <button v-if="isAbout" type="button" class="plain act back" @click="listing = false">{{ site.selected.length || 1 }} selected ›</button>
      <p v-if="!site.pieces.length" class="soft">There is nothing to place yet. Draw a room under Massing, then work out its kit.</p>
      <SiteLists @chosen="(goesOn) => (listing = goesOn)" />
    </div>
    <ByHandList />
  </div>
</template>

<style scoped>
.panel .first:first-child,
.back + .first {
  border-top: 0;
  padding-top: 0;
}
.lists {
  display: flex;
  flex-direction: column;
  gap: 10px;
}
.back {
  align-self: flex-start;
}
.veiled {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 5px 9px;
  font-size: var(--small);
}
</style>
