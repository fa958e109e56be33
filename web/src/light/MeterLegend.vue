<script setup lang="ts">
import { BANDS, useMeter, words } from './meter'

/** What is measured under the pointer, and what the colours of brightness mean. */
const meter = useMeter()
</script>

<template>
  <section class="meter" aria-label="Light measured">
    <p v-if="meter.measures" class="figures" data-testid="meter">{{ meter.reading ? words(meter.reading) : 'Point at the set to measure its light.' }}</p>
    <template v-if="meter.falseColour">
      <p class="caps">EV from middle grey</p>
      <ul>
        <li v-for="b in BANDS" :key="b.says"><span class="colour" :style="{ background: b.colour }"></span>{{ b.says }}</li>
      </ul>
    </template>
  </section>
</template>

<style scoped>
.meter {
  position: absolute;
  left: 12px;
  bottom: 12px;
  background: var(--sheet);
  border: 1px solid var(--hairline);
  padding: 7px 10px;
  display: grid;
  gap: 4px;
  font-size: var(--small);
  pointer-events: none;
}
p,
ul {
  margin: 0;
  padding: 0;
  list-style: none;
}
.colour {
  display: inline-block;
  width: 14px;
  height: 14px;
  margin-right: 7px;
  border: 1px solid var(--hairline);
  vertical-align: -2px;
}
</style>
