/** Save something as a JSON file, named for what it is called. */
export function saveJson(content: unknown, name: string): void {
  const blob = new Blob([JSON.stringify(content, null, 2)], { type: 'application/json' })
  const link = document.createElement('a')
  link.href = URL.createObjectURL(blob)
  link.download = `${(name || 'build').replace(/[^\w-]+/g, '-').toLowerCase()}.json`
  link.click()
  URL.revokeObjectURL(link.href)
}
