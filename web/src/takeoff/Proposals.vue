<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { ref, watch } from 'vue'
import type { ProposalView } from '../api/client'
import LengthField from '../parts/LengthField.vue'
import { tell, useSite } from '../site/site'
import { useBoard } from '../board/board'
import { roleName } from '../list/roles'
import type { Takeoff } from './takeoff'

/** Which tags may be one piece, by their measured sizes: accepted, changed or refused one by one. */
type Say = Takeoff['say']
const props = defineProps<{ takeoff: { say: Say; proposals: Takeoff['proposals'] } }>()
const site = useSite()
const board = useBoard()
const proposals = ref<{ p: ProposalView; code: string; name: string; widthMm: number; depthMm: number; heightMm: number; key: string }[]>()

async function group() {
  try {
    const found = await props.takeoff.proposals()
    proposals.value = found.map((p) => ({
      p,
      name: p.name,
      code: p.code,
      widthMm: p.widthMm,
      heightMm: p.heightMm,
      depthMm: p.role === 'PROP' ? 500 : site.site!.wallMm,
      key: p.tags.map((t) => t.letter).join(),
    }))
  } catch (e) {
    tell(e)
  }
}
watch(
  () => board.sheet,
  () => proposals.value && void group(),
)

async function accept(row: NonNullable<typeof proposals.value>[number]) {
  const { code, name, widthMm, depthMm, heightMm } = row
  try {
    await board.make(`List ${code}`, 'POST', '/proposals/accepted', { tagIds: row.p.tags.map((t) => t.tagId), code, name, widthMm, depthMm, heightMm })
    await board.fetchAll()
  } catch (e) {
    tell(e)
  }
}
async function decline(row: NonNullable<typeof proposals.value>[number]) {
  try {
    await board.make('Decline', 'POST', '/proposals/declined', { tagIds: row.p.tags.map((t) => t.tagId) })
    await group()
  } catch (e) {
    tell(e)
  }
}
const signed = (n: number, digits: number) => `${n > 0 ? '+' : n < 0 ? '−' : ''}${Math.abs(n).toFixed(digits)}`
</script>

<template>
  <section class="part" aria-label="Proposed pieces">
    <div class="row spread">
      <h3>Pieces from the marks</h3>
      <Button size="small" @click="group">Group for me</Button>
    </div>
    <p v-if="!proposals" class="soft">Tags whose measured sizes agree become one piece, mirrored or lying on its side included.</p>
    <p v-else-if="!proposals.length" class="soft">Nothing to propose: mark rectangles on a calibrated plane first.</p>
    <article v-for="row in proposals" :key="row.key">
      <div class="row spread">
        <b>{{ row.p.tags.map((t) => t.letter + (t.turned ? ' on its side' : '')).join(' + ') }}</b>
        <span class="soft">{{ roleName(row.p.role) }} · {{ row.p.seen }} seen, {{ row.p.estimated }} in all</span>
      </div>
      <p class="figures">{{ takeoff.say(row.p.width) }} × {{ takeoff.say(row.p.height) }}</p>
      <p class="figures" :class="row.p.changesTheLook ? 'caution' : 'soft'">
        on the step {{ signed(row.p.widthResidualMm, 0) }} mm ({{ signed(row.p.widthResidualSteps, 2) }} steps) × {{ signed(row.p.heightResidualMm, 0) }} mm ({{
          signed(row.p.heightResidualSteps, 2)
        }})
      </p>
      <p v-if="row.p.changesTheLook" class="caution">▲ Rounding changes a side by more than 3 %: it will look different.</p>
      <div class="fields">
        <label class="field"><span>Code</span><Input v-model:value="row.code" size="small" aria-label="Code" :maxlength="40" /></label>
        <label class="field"><span>Name</span><Input v-model:value="row.name" size="small" aria-label="Name of the piece" :maxlength="200" /></label>
      </div>
      <div class="fields three">
        <LengthField label="Width" :mm="row.widthMm" @change="(mm) => (row.widthMm = mm)" />
        <LengthField label="Depth" :mm="row.depthMm" @change="(mm) => (row.depthMm = mm)" />
        <LengthField label="Height" :mm="row.heightMm" @change="(mm) => (row.heightMm = mm)" />
      </div>
      <div class="row"><Button size="small" type="primary" @click="accept(row)">Accept</Button><Button size="small" @click="decline(row)">Refuse</Button></div>
    </article>
  </section>
</template>

<style scoped>
article {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 7px 9px;
  display: flex;
  flex-direction: column;
  gap: 5px;
}
.caution {
  color: var(--dark-ochre);
}
article .figures {
  font-size: var(--small);
}
</style>
