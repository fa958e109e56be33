<script setup lang="ts">
import { Button } from 'ant-design-vue'
import { computed } from 'vue'
import { tell, useSite } from '../site/site'
import { counted } from '../measure/format'

/** What hands left out, and what they changed that has lost its place: shown while there is any. */
const site = useSite()
const leftOut = computed(() => site.departures.filter((d) => d.leftOut && !d.lost))
const lost = computed(() => site.departures.filter((d) => d.lost))
const run = (work: () => Promise<unknown>) => void site.inTurn(work).catch(tell)
</script>

<template>
  <div v-if="leftOut.length" class="row spread left-out">
    <span>{{ counted(leftOut.length, 'piece') }} of the massing left out by hand</span>
    <Button size="small" @click="run(() => site.letGo(leftOut.map((d) => d.id)))">Put back</Button>
  </div>
  <section v-if="lost.length" class="lost" aria-label="Changes by hand without a place">
    <h3 class="caution">▲ {{ counted(lost.length, 'change') }} by hand without a place</h3>
    <p class="soft">The rooms or the kit have changed under them. What was moved still stands where it was left.</p>
    <ul>
      <li v-for="d in lost" :key="d.id" class="row spread">
        <button v-if="!d.leftOut" type="button" class="plain" @click="site.select([d.id])">
          {{ site.pieceById.get(d.pieceId ?? 0)?.code ?? 'a piece' }}
        </button>
        <span v-else>a place left empty</span>
        <span class="row">
          <Button v-if="!d.leftOut" size="small" @click="run(() => site.setDownLost([d.id]))">Set down here</Button>
          <Button size="small" @click="run(() => site.letGo([d.id]))">Let go</Button>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.left-out,
.lost {
  border: 1px solid var(--hairline);
  background: var(--sheet);
  padding: 5px 9px;
  font-size: var(--small);
}
.lost li {
  padding: 2px 0;
}
.caution {
  color: var(--dark-ochre);
}
ul {
  list-style: none;
  margin: 0;
  padding: 0;
}
</style>
