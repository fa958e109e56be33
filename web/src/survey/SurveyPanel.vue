<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import type { FindingView } from '../api/client'
import { tell, useSite } from '../site/site'

const site = useSite()
const faults = computed(() => site.survey.findings.filter((f) => f.fault).length)

function choose(f: FindingView) {
  site.finding = f
  site.select(f.placementIds)
}

async function fix(f: FindingView) {
  try {
    await site.make(f.fix!, 'POST', '/survey/fixes', { key: f.key })
    site.finding = undefined
  } catch (e) {
    tell(e)
  }
}
</script>

<template>
  <div class="panel">
    <div class="row spread">
      <h2>Survey</h2>
      <span class="figures soft">{{ faults }} faults · {{ site.survey.total - faults }} cautions</span>
    </div>
    <p v-if="site.survey.total === 0" class="clean">
      Nothing found: no overlap, no gap, nothing off the grid, floating or outside.
    </p>
    <p v-if="site.survey.total > site.survey.findings.length" class="soft">The first {{ site.survey.findings.length }} of {{ site.survey.total }} are listed.</p>
    <ul aria-label="Findings">
      <li v-for="f in site.survey.findings" :key="f.key" :class="{ chosen: site.finding?.key === f.key }">
        <button type="button" class="plain" :aria-pressed="site.finding?.key === f.key" @click="choose(f)">
          <span class="title"><span :class="f.fault ? 'fault' : 'caution'" :title="f.fault ? 'fault' : 'caution'">{{ f.fault ? '■ fault' : '▲ caution' }}</span> {{ f.title }}</span>
          <span class="soft">{{ f.reason }}</span>
        </button>
        <Button v-if="f.fix" size="small" @click="fix(f)">{{ f.fix }}</Button>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
li {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 7px 9px;
  margin-bottom: 6px;
}
li.chosen {
  border-color: var(--plum);
  box-shadow: inset 3px 0 var(--plum);
}
li button.plain {
  display: grid;
  text-align: left;
  width: 100%;
  font-size: 13px !important;
}
li .ant-btn {
  margin-top: 5px;
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
