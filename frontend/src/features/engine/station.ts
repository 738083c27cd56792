import type { Station } from '../stations'

export default { id: 'engine', title: 'Engine', group: 'machine', key: 'e', order: 20, load: () => import('./EngineStation.vue') } satisfies Station
