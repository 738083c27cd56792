import type { Station } from '../stations'

export default { id: 'boat', title: 'Boat', group: 'feeds', key: 't', order: 60, load: () => import('./BoatStation.vue') } satisfies Station
