import { create } from 'zustand'

export type Theme = 'light' | 'dark'

const saved = 'altrin.theme'

const preferred = (): Theme => {
  const kept = localStorage.getItem(saved)
  if (kept === 'light' || kept === 'dark') return kept
  return window.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light'
}

export const useTheme = create<{ theme: Theme; toggle: () => void }>((set, get) => ({
  theme: preferred(),
  toggle: () => {
    const theme = get().theme === 'dark' ? 'light' : 'dark'
    localStorage.setItem(saved, theme)
    set({ theme })
    applyTheme(theme)
  },
}))

/** Puts the theme on the page; done once before the first paint, so that nothing flashes. */
export function applyTheme(theme: Theme = useTheme.getState().theme) {
  document.documentElement.classList.toggle('dark', theme === 'dark')
  document.documentElement.classList.toggle('light', theme === 'light')
  document.documentElement.style.colorScheme = theme
}
