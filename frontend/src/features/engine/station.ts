import type { Station } from '../stations'

export default { id: 'engine', title: 'Engine', order: 20, load: () => import('./EngineStation.vue') } satisfies Station
