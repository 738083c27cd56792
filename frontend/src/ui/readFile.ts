/** The text of a file, told how far it is as it comes. */
export async function readFile(file: File, told: (done: number, of: number) => void): Promise<string> {
  const reader = file.stream().getReader()
  const decoder = new TextDecoder()
  let [text, done] = ['', 0]
  told(0, file.size)
  for (;;) {
    const { value, done: ended } = await reader.read()
    if (value) {
      text += decoder.decode(value, { stream: true })
      told((done += value.byteLength), file.size)
    }
    if (ended) return text + decoder.decode()
  }
}
