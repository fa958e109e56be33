import { createRouter, createWebHistory } from 'vue-router'
import StartView from './start/StartView.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'start', component: StartView },
    { path: '/sites/:id(\\d+)/:stage?/:view?/:item(\\d+)?', name: 'site', component: () => import('./shell/SiteShell.vue') },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})
