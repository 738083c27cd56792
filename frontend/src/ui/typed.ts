/** What stands in the field an event comes from. */
export const typed = (event: Event): string => (event.target as HTMLInputElement).value
/** The same without blanks round it; null where nothing is left. */
export const stated = (event: Event): string | null => typed(event).trim() || null
