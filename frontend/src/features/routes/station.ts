import type { Station } from '../stations'

export default { id: 'routes', title: 'Routes', group: 'drives', key: 'w', order: 30, load: () => import('./RoutesStation.vue') } satisfies Station
