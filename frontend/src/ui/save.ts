/** Save text as a file, named for what it is called. */
export function saveText(content: string, media: string, name: string, ending: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([content], { type: media }))
  link.download = `${(name || 'build').replace(/[^\w-]+/g, '-').toLowerCase()}${ending}`
  link.click()
  URL.revokeObjectURL(link.href)
}

/** Save something as a JSON file. */
export const saveJson = (content: unknown, name: string): void => saveText(JSON.stringify(content, null, 2), 'application/json', name, '.json')
