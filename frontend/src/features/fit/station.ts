import type { Station } from '../stations'

export default { id: 'fit', title: 'Fit', group: 'machine', key: 'i', order: 30, load: () => import('./FitStation.vue') } satisfies Station
