<script setup lang="ts">
import { Modal } from 'ant-design-vue'
import { KEYS } from './stages'

const open = defineModel<boolean>('open', { required: true })
</script>

<template>
  <Modal v-model:open="open" title="Keys" :footer="null" width="560px">
    <dl>
      <template v-for="k in KEYS" :key="k.does">
        <dt>
          <template v-for="key in k.keys" :key="key"
            ><kbd>{{ key }}</kbd>
          </template>
        </dt>
        <dd>{{ k.does }}</dd>
      </template>
    </dl>
  </Modal>
</template>

<style scoped>
dl {
  display: grid;
  grid-template-columns: auto 1fr;
  gap: 4px 14px;
  margin: 0;
}
dd {
  margin: 0;
}
</style>
