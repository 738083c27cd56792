import type { Station } from '../stations'

export default { id: 'exhaust', title: 'Exhaust', group: 'feeds', key: 'x', order: 20, load: () => import('./ExhaustStation.vue') } satisfies Station
