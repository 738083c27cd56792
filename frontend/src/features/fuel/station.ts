import type { Station } from '../stations'

export default { id: 'fuel', title: 'Fuel', order: 60, load: () => import('./FuelStation.vue') } satisfies Station
