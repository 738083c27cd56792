import { createRouter, createWebHistory } from 'vue-router'

const station = (name: string, load: () => Promise<unknown>) => ({ path: name === 'bench' ? '' : name, name, component: load })

export const router = createRouter({
  history: createWebHistory(),
  scrollBehavior: () => ({ top: 0 }),
  routes: [
    { path: '/', name: 'shelf', component: () => import('../features/shelf/ShelfPage.vue') },
    { path: '/new', name: 'new', component: () => import('../features/shelf/NewBuildPage.vue') },
    {
      path: '/builds/:id',
      component: () => import('../features/BuildFrame.vue'),
      props: true,
      children: [
        station('bench', () => import('../features/bench/BenchPage.vue')),
        station('duties', () => import('../features/duties/DutiesStation.vue')),
        station('engine', () => import('../features/engine/EngineStation.vue')),
        station('cooling', () => import('../features/cooling/CoolingStation.vue')),
        station('fuel', () => import('../features/fuel/FuelStation.vue')),
        station('need', () => import('../features/need/NeedPage.vue')),
      ],
    },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('../features/shelf/NowherePage.vue') },
  ],
})
