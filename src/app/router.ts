import { createRouter, createWebHistory, type RouteRecordRaw } from 'vue-router'
import MeasurePage from './measure/MeasurePage.vue'
import { useShelf } from './stores/shelf'

const routes: RouteRecordRaw[] = [
  {
    path: '/',
    name: 'start',
    // The plan that was worked on last; the shelf where there is none.
    component: MeasurePage,
    beforeEnter: async () => {
      const { shelf, ready } = useShelf()
      await ready
      // Where the browser gives nothing out, the shelf says why.
      const [last] = await shelf.list().catch(() => [])
      return last === undefined ? { name: 'plans' } : { name: 'measure', params: { id: last.id } }
    },
  },
  { path: '/plans', name: 'plans', component: () => import('./plans/PlansPage.vue') },
  { path: '/shared', name: 'shared', component: () => import('./plans/SharedPage.vue') },
  { path: '/sums/:name?', name: 'sums', component: () => import('./sums/SumsPage.vue') },
  { path: '/plan/:id', redirect: (to) => ({ name: 'measure', params: to.params }) },
  { path: '/plan/:id/measure', name: 'measure', component: MeasurePage },
  { path: '/plan/:id/cut', name: 'cut', component: () => import('./cut/CutPage.vue') },
  { path: '/plan/:id/feed', name: 'feed', component: () => import('./feed/FeedPage.vue') },
  { path: '/plan/:id/signal', name: 'signal', component: () => import('./signal/SignalPage.vue') },
  { path: '/plan/:id/wire', name: 'wire', component: () => import('./wire/WirePage.vue') },
  { path: '/plan/:id/buy', name: 'buy', component: () => import('./buy/BuyPage.vue') },
  { path: '/plan/:id/build', name: 'build', component: () => import('./build/BuildPage.vue') },
  { path: '/plan/:id/glow', name: 'glow', component: () => import('./glow/GlowPage.vue') },
  { path: '/plan/:id/mend', name: 'mend', component: () => import('./mend/MendPage.vue') },
  { path: '/trouble', name: 'trouble', component: () => import('./mend/TroublePage.vue') },
  ...(import.meta.env.DEV
    ? [
        {
          path: '/components',
          name: 'components',
          component: () => import('./dev/ComponentsPage.vue'),
        },
      ]
    : []),
  { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./shell/NowherePage.vue') },
]

export const createAppRouter = () => createRouter({ history: createWebHistory(), routes })
