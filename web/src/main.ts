import '@fontsource/ibm-plex-mono/400.css'
import '@fontsource/ibm-plex-mono/500.css'
import '@fontsource/source-sans-3/400.css'
import '@fontsource/source-sans-3/600.css'
import 'ant-design-vue/dist/reset.css'
import './styles/base.css'
import { message } from 'ant-design-vue'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router'

createApp(App).use(createPinia()).use(router).mount('#app')

// A stage that is entered while the server is away cannot be fetched then; what is open stays open.
window.addEventListener('vite:preloadError', () => void message.error('This part could not be fetched. Reload the page when the server is back.'))
