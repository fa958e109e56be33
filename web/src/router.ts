import { createRouter, createWebHistory } from 'vue-router'
import SiteShell from './shell/SiteShell.vue'
import StartView from './start/StartView.vue'

export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'start', component: StartView },
    { path: '/sites/:id(\\d+)/:stage?/:view?/:item(\\d+)?', name: 'site', component: SiteShell },
    { path: '/:rest(.*)*', redirect: '/' },
  ],
})
