import type { Station } from '../stations'

export default { id: 'belts', title: 'Belts', group: 'drives', key: 'v', order: 10, load: () => import('./BeltsStation.vue') } satisfies Station
