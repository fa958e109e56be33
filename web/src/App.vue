<script setup lang="ts">
import { ConfigProvider } from 'ant-design-vue'
import { theme } from './styles/theme'
</script>

<template>
  <ConfigProvider :theme="theme" :get-popup-container="() => document.body" :auto-insert-space-in-button="false">
    <RouterView />
  </ConfigProvider>
</template>

<script lang="ts">
const document = window.document
</script>
