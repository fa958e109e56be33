<script setup lang="ts">
import { Button, Input } from 'ant-design-vue'
import { ref } from 'vue'
import { useAttempt } from '../site/attempt'
import { useSite } from '../site/site'

/** Selections under a name: what is selected is kept, or those that there are are listed. */
defineProps<{ lists: boolean }>()
const site = useSite()
const { refusal, attempt } = useAttempt()
const name = ref('')

const keep = () =>
  attempt(async () => {
    if (!name.value.trim()) return
    await site.make('Keep a selection', 'POST', '/selections', { name: name.value, ids: [...site.selection] })
    name.value = ''
  })
const forget = (id: number) => attempt(() => site.make('Forget a selection', 'DELETE', `/selections/${id}`))
</script>

<template>
  <section v-if="!lists && site.selection.size" aria-label="Selection">
    <div class="row">
      <Input v-model:value="name" size="small" placeholder="Keep it as …" aria-label="Name of the selection" :maxlength="200" @press-enter="keep" />
      <Button size="small" :disabled="!name.trim()" @click="keep">Keep</Button>
    </div>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
  </section>
  <section v-else-if="lists" aria-label="Selections">
    <p v-if="!site.namedSelections.length" class="soft">No selections are kept yet. Select something, and keep it under a name.</p>
    <p v-if="refusal" class="fault" role="alert">{{ refusal.message }}</p>
    <ul class="plain">
      <li v-for="s in site.namedSelections" :key="s.id" class="row spread">
        <button type="button" class="plain" :title="`Select “${s.name}”`" @click="site.select(s.ids)">{{ s.name }}</button>
        <span class="figures soft">{{ s.ids.length }}</span>
        <Button size="small" :aria-label="`Forget ${s.name}`" @click="forget(s.id)">Forget</Button>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  padding: 2px 0;
}
li button.plain {
  flex: 1;
  text-align: left;
}
</style>
