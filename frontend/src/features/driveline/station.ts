import type { Station } from '../stations'

export default { id: 'driveline', title: 'Driveline', group: 'drives', key: 'd', order: 40, load: () => import('./DrivelineStation.vue') } satisfies Station
