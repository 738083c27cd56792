import { createRouter, createWebHistory } from 'vue-router'
import { begin } from '../api/busy'
import { PAGES, STATIONS } from '../features/stations'

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: () => ({ top: 0 }),
  routes: [
    { path: '/', name: 'shelf', component: () => import('../features/shelf/ShelfPage.vue') },
    { path: '/bin', name: 'bin', component: () => import('../features/shelf/BinPage.vue') },
    { path: '/beside/:a/:b', name: 'beside', component: () => import('../features/beside/BesidePage.vue') },
    { path: '/new', name: 'new', component: () => import('../features/shelf/NewBuildPage.vue') },
    {
      path: '/builds/:id',
      component: () => import('../features/frame/BuildFrame.vue'),
      props: true,
      children: [
        { path: '', name: 'bench', component: () => import('../features/bench/BenchPage.vue') },
        // Which of its drawings a station shows stands in the address, so that a link opens the right one.
        ...STATIONS.map((station) => ({ path: `${station.id}/:view?`, name: station.id, component: station.load })),
        ...PAGES.map((page) => ({ path: page.views ? `${page.id}/:view?` : page.id, name: page.id, component: page.load })),
      ],
    },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('../features/shelf/NowherePage.vue') },
  ],
})

/** A page on its way is work too. */
let arrived: (() => void) | undefined
router.beforeEach(() => {
  arrived?.()
  arrived = begin()
})
router.afterEach(() => arrived?.())
router.onError(() => arrived?.())
