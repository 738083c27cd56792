import type { Station } from '../stations'

export default { id: 'duties', title: 'Machine', order: 10, load: () => import('./DutiesStation.vue') } satisfies Station
