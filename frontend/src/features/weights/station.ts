import type { Station } from '../stations'

export default { id: 'weights', title: 'Weights', group: 'machine', key: 'k', order: 50, load: () => import('./WeightsStation.vue') } satisfies Station
