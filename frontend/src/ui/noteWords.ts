/** A note names a fact by its path; a builder knows it by its label. */
export const noteWords = (note: string, label: (path: string) => string): string => note.replace(/^[a-z]+(\.\w+)+(?=: )/, (path) => label(path).trim())
