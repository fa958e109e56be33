<script setup lang="ts">
import { useResizeObserver } from '@vueuse/core'
import { computed, onBeforeUnmount, onMounted, ref, watch } from 'vue'
import type { SitePlanView } from '../api/client'
import { kindOf, type Kinds } from './kinds'
import { KitScene, type Drawn } from './KitScene'
import { blocksOf, type Block } from './laid'

/** The walls as an option would build them, in the round, each kind in its hatch. */
const props = defineProps<{ plan: SitePlanView; option: number; kinds: Kinds }>()
const host = ref<HTMLElement>()
const boxes = ref(0)
let scene: KitScene | undefined

const walls = computed<Drawn[]>(() => {
  const by = new Map<number | undefined, Block[]>()
  const add = (kind: number | undefined, blocks: Block[]) => {
    const all = by.get(kind)
    if (all) all.push(...blocks)
    else by.set(kind, blocks)
  }
  props.plan.layouts[props.option]!.forEach((run, n) => {
    for (const i of run.pieces) add(i.piece === 'wall' ? props.kinds.get(kindOf(i)) : undefined, blocksOf(props.plan.faces[n]!, i))
  })
  add(
    undefined,
    props.plan.postsMm.map(({ min, max }) => ({ min: [min.x, min.y, min.z], max: [max.x, max.y, max.z] })),
  )
  return [...by].map(([kind, blocks]) => ({ kind, blocks }))
})

onMounted(() => {
  scene = new KitScene(host.value!, (n) => (boxes.value = n))
  scene.show(walls.value)
})
watch(walls, (now) => scene?.show(now))
useResizeObserver(host, () => scene?.resize())
onBeforeUnmount(() => scene?.dispose())
</script>

<template>
  <div ref="host" class="space" role="img" :aria-label="`The walls in space, ${boxes} boxes`" :data-boxes="boxes" />
</template>

<style scoped>
.space {
  flex: 1;
  min-height: 320px;
  position: relative;
}
.space :deep(canvas) {
  position: absolute;
  inset: 0;
}
</style>
