/** Save bytes as a file, named for what they are called. */
export function saveBytes(content: Blob, name: string, ending: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(content)
  link.download = `${(name || 'build').replace(/[^\w-]+/g, '-').toLowerCase()}${ending}`
  link.click()
  URL.revokeObjectURL(link.href)
}

/** The same of text. */
export const saveText = (content: string, media: string, name: string, ending: string): void => saveBytes(new Blob([content], { type: media }), name, ending)

/** Save something as a JSON file. */
export const saveJson = (content: unknown, name: string): void => saveText(JSON.stringify(content, null, 2), 'application/json', name, '.json')
