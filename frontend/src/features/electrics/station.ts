import type { Station } from '../stations'

export default { id: 'electrics', title: 'Electrics', group: 'drives', key: 'l', order: 20, load: () => import('./ElectricsStation.vue') } satisfies Station
