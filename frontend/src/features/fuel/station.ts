import type { Station } from '../stations'

export default { id: 'fuel', title: 'Fuel', group: 'feeds', key: 'f', order: 40, load: () => import('./FuelStation.vue') } satisfies Station
