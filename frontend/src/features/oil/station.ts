import type { Station } from '../stations'

export default { id: 'oil', title: 'Oil', order: 30, load: () => import('./OilStation.vue') } satisfies Station
