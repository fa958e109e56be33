<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { computed, ref } from 'vue'
import type { CardView, FindingView } from '../api/client'
import { tell, useSite } from '../site/site'
import { counted } from '../measure/format'

const site = useSite()
const opened = ref(new Set<string>())
const accepting = ref<{ key: string; reason: string }>()
const open = computed(() => site.cards.filter((c) => !c.accepted))
const accepted = computed(() => site.cards.filter((c) => c.accepted))

function toggle(c: CardView) {
  const key = keyOf(c)
  if (c.count === 1) choose(c.findings[0]!)
  else if (!opened.value.delete(key)) opened.value.add(key)
}
const keyOf = (c: CardView) => `${c.accepted}${c.key}`

function choose(f: FindingView) {
  site.finding = f
  site.select(f.placementIds)
}

async function make(label: string, path: string, body: object) {
  try {
    await site.make(label, 'POST', `/survey/${path}`, body)
    site.finding = undefined
    accepting.value = undefined
  } catch (e) {
    tell(e)
  }
}
const mend = (label: string, key: string) => make(label, 'fixes', { key })
const accept = (key: string, reason: string) => make(reason ? 'Accept' : 'No longer accept', 'accepted', { key, reason })
const deed = (c: CardView) => (c.count === 1 ? c.findings[0]!.fix! : `Mend all ${c.mendable}`)
</script>

<template>
  <div class="panel">
    <div class="row spread">
      <h2>Survey</h2>
      <span class="figures soft">{{ counted(site.survey.faults, 'fault') }} · {{ counted(site.survey.cautions, 'caution') }}</span>
    </div>
    <p v-if="!open.length" class="clean">Nothing {{ accepted.length ? 'else ' : '' }}found: no overlap, no gap, nothing off the grid, floating or outside.</p>
    <ul v-for="(list, i) in [open, accepted]" :key="i" :aria-label="i ? 'Accepted findings' : 'Findings'">
      <li v-if="i && list.length" class="soft accepted-head">Accepted, until what they are about changes</li>
      <li v-for="c in list" :key="keyOf(c)" class="card" :class="{ chosen: c.findings.some((f) => f.key === site.finding?.key) }" data-testid="card">
        <button
          type="button"
          class="plain"
          :aria-pressed="c.count === 1 ? site.finding?.key === c.findings[0]!.key : undefined"
          :aria-expanded="c.count > 1 ? opened.has(keyOf(c)) : undefined"
          @click="toggle(c)">
          <span class="title"
            ><span :class="c.fault ? 'fault' : 'caution'">{{ c.fault ? '■ fault' : '▲ caution' }}</span> {{ c.count === 1 ? c.findings[0]!.title : c.heading }}
            <span v-if="c.count > 1" class="figures">× {{ c.count }}</span></span
          >
          <span class="soft">{{ c.room }}{{ c.room && c.count === 1 ? ' · ' : '' }}{{ c.count === 1 ? c.findings[0]!.reason : '' }}</span>
          <span v-if="c.findings[0]!.accepted" class="soft">Accepted: {{ c.findings[0]!.accepted }}</span>
        </button>
        <ol v-if="c.count > 1 && opened.has(keyOf(c))">
          <li v-for="f in c.findings" :key="f.key" :class="{ chosen: site.finding?.key === f.key }">
            <button type="button" class="plain" :aria-pressed="site.finding?.key === f.key" @click="choose(f)">
              <b>{{ f.title }}</b> <span class="soft">{{ f.reason }}</span>
            </button>
            <Button v-if="f.fix && !c.accepted" size="small" @click="mend(f.fix, f.key)">{{ f.fix }}</Button>
          </li>
          <li v-if="c.count > c.findings.length" class="soft">and {{ c.count - c.findings.length }} more</li>
        </ol>
        <div class="row deeds">
          <template v-if="c.accepted"><Button size="small" @click="accept(c.count === 1 ? c.findings[0]!.key : c.key, '')">Open again</Button></template>
          <template v-else-if="accepting?.key === keyOf(c)">
            <Input
              v-model:value="accepting.reason"
              size="small"
              aria-label="Why it is accepted"
              placeholder="Why is it meant so?"
              :maxlength="500"
              autofocus
              @press-enter="accepting.reason.trim() && accept(c.count === 1 ? c.findings[0]!.key : c.key, accepting.reason)"
              @keydown.esc.stop="accepting = undefined" />
            <Button size="small" :disabled="!accepting.reason.trim()" @click="accept(c.count === 1 ? c.findings[0]!.key : c.key, accepting.reason)"
              >Accept</Button
            >
          </template>
          <template v-else>
            <Button v-if="c.mendable" size="small" type="primary" @click="mend(deed(c), c.count === 1 ? c.findings[0]!.key : c.key)">{{ deed(c) }}</Button>
            <Button size="small" @click="accepting = { key: keyOf(c), reason: '' }">Accept …</Button>
          </template>
        </div>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul,
ol {
  list-style: none;
  margin: 0;
  padding: 0;
}
.card {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 7px 9px;
  margin-bottom: 6px;
}
.chosen {
  border-color: var(--plum);
  box-shadow: inset 3px 0 var(--plum);
}
li button.plain {
  display: grid;
  text-align: left;
  width: 100%;
  min-height: 24px;
  font-size: var(--small) !important;
}
ol {
  margin-top: 6px;
  max-height: 320px;
  overflow-y: auto;
}
ol li {
  border-top: 1px solid var(--hairline);
  padding: 4px 6px;
}
.deeds {
  margin-top: 6px;
  flex-wrap: wrap;
}
.accepted-head {
  margin: 10px 0 4px;
}
.title {
  font-weight: 600;
}
.caution {
  color: var(--dark-ochre);
}
.clean {
  border-left: 3px solid var(--verdigris);
  padding-left: 10px;
}
</style>
