import type { Station } from '../stations'

export default { id: 'oil', title: 'Oil', group: 'feeds', key: 'o', order: 10, load: () => import('./OilStation.vue') } satisfies Station
