import type { Station } from '../stations'

export default { id: 'exhaust', title: 'Exhaust', order: 40, load: () => import('./ExhaustStation.vue') } satisfies Station
