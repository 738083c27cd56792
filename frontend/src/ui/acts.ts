/** Something a menu offers to do. */
export interface Act {
  id: string
  label: string
  danger?: boolean
  off?: boolean
}
