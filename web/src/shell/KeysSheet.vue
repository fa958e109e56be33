<script setup lang="ts">
import { Input, Modal } from 'ant-design-vue'
import { computed, ref } from 'vue'
import { keyName, useCommands } from '../commands/commands'
import { matching } from '../commands/match'
import { GESTURES } from './stages'

/** The keys, found by what one wants to do. */
const open = defineModel<boolean>('open', { required: true })
const commands = useCommands()
const wanted = ref('')
const all = computed(() => [
  ...commands.all.filter((c) => c.key).map((c) => ({ name: c.name, words: c.words, keys: [keyName(c)] })),
  ...GESTURES.map((g) => ({ name: g.does, words: g.keys.join(' '), keys: g.keys })),
])
const shown = computed(() => matching(all.value, wanted.value, all.value.length))
</script>

<template>
  <Modal v-model:open="open" title="Keys" :footer="null" width="560px">
    <Input v-model:value="wanted" size="small" placeholder="What do you want to do?" aria-label="Find a key" allow-clear />
    <dl>
      <template v-for="k in shown" :key="k.name">
        <dt>
          <template v-for="key in k.keys" :key="key"
            ><kbd>{{ key }}</kbd>
          </template>
        </dt>
        <dd>{{ k.name }}</dd>
      </template>
    </dl>
  </Modal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 14px;
  margin: 10px 0 0;
  max-height: 60vh;
  overflow-y: auto;
}
dd {
  margin: 0;
}
</style>
