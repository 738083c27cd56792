import type { Station } from '../stations'

export default { id: 'air', title: 'Air', group: 'feeds', key: 'a', order: 50, load: () => import('./AirStation.vue') } satisfies Station
