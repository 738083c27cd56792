import type { Report, Vocabulary } from '../../api/client'
import { STOPS } from '../stations'

export interface Hit {
  label: string
  where: string
  station: string
  hash: string
}

/** Other words of the trade for what a label says: any of a row finds every label that has another of it. */
const SAME = [
  ['sump', 'pan'], ['radiator', 'core'], ['muffler', 'silencer'], ['intercooler', 'charge cooler', 'aftercooler'], ['redline', 'red line', 'rev limit', 'speed limit', 'engine limit', 'highest speed'],
  ['tilt', 'turned', 'front up', 'left side up', 'cant', 'roll', 'pitch', 'lean'], ['transverse', 'lengthwise', 'engine turned'], ['altitude', 'height above sea'], ['cda', 'drag area', 'frontal area'],
  ['strainer', 'pickup'], ['antifreeze', 'glycol'], ['gasoline', 'petrol'], ['stack', 'depth', 'room ahead'], ['downpipe', 'pipe'], ['hp', 'power'], ['displacement', 'engine size', 'capacity'], ['mixture', 'lambda', 'excess air'],
  ['cat', 'catalyst'], ['dpf', 'particle filter'], ['header', 'manifold', 'primaries'], ['x-pipe', 'h-pipe', 'balance pipe', 'crossover'], ['air cleaner', 'air filter', 'area of its medium'], ['raised intake', 'snorkel'], ['maf', 'air meter'], ['water crossing', 'wade', 'wading'], ['heat wrap', 'lagged', 'covering'], ['overflow', 'header', 'expansion tank'], ['bypass', 'restrictor'], ['pressure cap', 'cap', 'radiator cap'], ['lift pump', 'feed pump'], ['hill', 'grade', 'climb', 'slope'], ['hottest day', 'ambient', 'air outside'],
  ['bulkhead', 'firewall'], ['bonnet', 'hood', 'hatch'], ['gearbox', 'transmission', 'gearcase'], ['gap', 'clearance', 'clash', 'fit'], ['crossmember', 'subframe'], ['rail', 'chassis leg', 'engine bed'], ['bell', 'bellhousing', 'flywheel housing'], ['rocks', 'rock', 'engine movement'], ['mount', 'cushion', 'bush', 'rubber', 'engine foot'],
  ['seawater', 'raw water', 'raw-water'], ['seacock', 'sea cock', 'skin fitting', 'through-hull', 'thru-hull'], ['vented loop', 'siphon break', 'anti-siphon'], ['waterlock', 'lift silencer', 'muffler'], ['swan neck', 'gooseneck', 'highest place'], ['prop', 'propeller', 'screw'], ['alignment', 'coupling', 'shims'], ['draft', 'waterline', 'sits deeper'], ['list', 'heel'],
  ['driveshaft', 'drive shaft', 'propshaft', 'joint to joint', 'shaft'], ['axle shaft', 'half-shaft'], ['cv', 'inner joint', 'outer joint'], ['universal joint', 'u-joint', 'cross', 'joints bend'], ['torque converter', 'converter'], ['throwout', 'release bearing', 'bearing'], ['pressure plate', 'cover clamps'], ['flexplate', 'flywheel'], ['spigot', 'pilot'], ['servo', 'booster'], ['tie rod', 'track rod'], ['gearstick', 'shifter', 'lever', 'knob'], ['tps', 'throttle'], ['drive by wire', 'sensor at the pedal', 'throttle by'],
  ['crane', 'hoist', 'engine hoist', 'cherry picker'], ['sling', 'chain', 'strap', 'leveller'], ['weight', 'mass', 'corner weight'], ['balance point', 'centre of gravity', 'center of gravity', 'cog'], ['hardness', 'shore', 'stiffness', 'durometer'],
]
const SAID: Record<string, string> = { need: 'page · what to look for, to print', round: 'page · with the tape', yard: 'page · every part, fitted or not' }
const PAGES: Hit[] = [
  { label: 'Bench', where: 'page · verdict, reach, what would move it', station: 'bench', hash: '' },
  ...STOPS.map((s) => ({ label: s.title, where: SAID[s.id] ?? 'station', station: s.id, hash: '' })),
]

/** Everything that can be found by name: pages, facts, checks and steps of working. */
export function index(words: Vocabulary, report: Report): Hit[] {
  /** What such a machine has none of is not found either. */
  const foreign = (station: string) => report.scope[station]?.foreign ?? false
  const hits: Hit[] = PAGES.filter((page) => !foreign(page.station))
  for (const section of Object.values(words.sections)) {
    if (section.id === 'duties' || foreign(section.id)) continue
    for (const field of section.fields) {
      hits.push({ label: field.label, where: `${section.title} · ${field.group || 'fact'}`, station: field.station, hash: `#${section.id}.${field.name}` })
    }
  }
  for (const [id, block] of Object.entries(report.systems)) {
    const names = new Map([...block.checks.map((c): [string, string] => [c.id, c.name]), ...block.unknown.map((u): [string, string] => [u.check, u.name])])
    for (const [check, name] of names) hits.push({ label: name, where: `${block.title} · check`, station: id, hash: `#${check}` })
    for (const step of Object.values(block.working)[0] ?? []) hits.push({ label: step.name, where: `${block.title} · working`, station: id, hash: `#step-${step.symbol}` })
  }
  return hits
}

/** What else the trade calls what was typed; a word begun counts from its third letter. */
const others = (typed: string) => (typed.length < 3 ? [] : SAME.filter((row) => row.some((word) => word.startsWith(typed))).flat())

/** Hits for typed words, those that begin with them first. */
export function search(hits: Hit[], text: string, most = 12): Hit[] {
  const words = text.toLowerCase().split(/\s+/).filter(Boolean)
  if (!words.length) return []
  const typed = words.join(' ')
  const rank = (hit: Hit) => (hit.label.toLowerCase().startsWith(words[0] ?? '') ? 0 : 1)
  return hits
    .filter((hit) => {
      const said = `${hit.label} ${hit.where}`.toLowerCase()
      return words.every((word) => said.includes(word)) || others(typed).some((other) => said.includes(other))
    })
    .sort((a, b) => rank(a) - rank(b) || a.label.length - b.label.length)
    .slice(0, most)
}
