/** What a list or a row of choices is made of. */
export interface Option {
  value: string | number
  label: string
}

/** Choices by their ids, in their order. */
export const optionsOf = (labels: Record<string, string> | null | undefined): Option[] => Object.entries(labels ?? {}).map(([value, label]) => ({ value, label }))
