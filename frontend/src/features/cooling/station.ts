import type { Station } from '../stations'

export default { id: 'cooling', title: 'Cooling', group: 'feeds', key: 'c', order: 30, load: () => import('./CoolingStation.vue') } satisfies Station
