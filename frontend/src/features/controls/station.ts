import type { Station } from '../stations'

export default { id: 'controls', title: 'Controls', group: 'drives', key: 'p', order: 50, load: () => import('./ControlsStation.vue') } satisfies Station
