import { createRouter, createWebHistory } from 'vue-router'
import { begin } from '../api/busy'
import { STATIONS } from '../features/stations'

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
        ...STATIONS.map((station) => ({ path: station.id, name: station.id, component: station.load })),
        { path: 'round', name: 'round', component: () => import('../features/round/RoundPage.vue') },
        { path: 'need', name: 'need', component: () => import('../features/need/NeedPage.vue') },
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
