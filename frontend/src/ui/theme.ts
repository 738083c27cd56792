import type { ComputedRef, InjectionKey } from 'vue'

export interface ThemeChoice {
  dark: ComputedRef<boolean>
  toggle: () => void
}

export const THEME: InjectionKey<ThemeChoice> = Symbol('theme')

/** Colour variable of a system; plots read its value from the page. */
export const colour = (system: string) => `var(--${system})`
export const read = (name: string) => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()
