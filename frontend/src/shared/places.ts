import type { RouteLocationRaw } from 'vue-router'

/** Station on which a fact is edited, by its section of the sheet and its group. */
export function stationOf(section: string, group = ''): string {
  if (section === 'machine') return 'duties'
  if (section === 'installation') return { Room: 'cooling', 'Round the exhaust': 'exhaust' }[group] ?? 'oil'
  return section
}

/** Where a fact of a build is typed. */
export function factAt(id: string | undefined, path: string, group = ''): RouteLocationRaw {
  return { name: stationOf(path.split('.')[0] ?? '', group), params: { id }, hash: `#${path}` }
}
