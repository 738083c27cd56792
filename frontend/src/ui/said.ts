/** What went wrong, in words. */
export const said = (error: unknown): string => (error instanceof Error ? error.message : String(error))
