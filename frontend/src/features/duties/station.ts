import type { Station } from '../stations'

export default { id: 'duties', title: 'Machine', group: 'machine', key: 'm', order: 10, load: () => import('./DutiesStation.vue') } satisfies Station
