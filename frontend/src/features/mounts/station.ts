import type { Station } from '../stations'

export default { id: 'mounts', title: 'Mounts', group: 'machine', key: 'h', order: 40, load: () => import('./MountsStation.vue') } satisfies Station
