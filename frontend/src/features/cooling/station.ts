import type { Station } from '../stations'

export default { id: 'cooling', title: 'Cooling', order: 50, load: () => import('./CoolingStation.vue') } satisfies Station
