import { create } from 'zustand'

export type Notice = { id: number; text: string; kind: 'done' | 'problem' }

let next = 1

/** Short messages that need no answer. A problem stays until it is put away; what was done goes by itself. */
export const useNotices = create<{
  notices: Notice[]
  say: (text: string, kind?: Notice['kind']) => void
  drop: (id: number) => void
}>((set) => ({
  notices: [],
  say: (text, kind = 'done') => {
    const id = next++
    set((now) => ({ notices: [...now.notices.slice(-2), { id, text, kind }] }))
    if (kind === 'done')
      setTimeout(() => set((now) => ({ notices: now.notices.filter((n) => n.id !== id) })), 4000)
  },
  drop: (id) => set((now) => ({ notices: now.notices.filter((n) => n.id !== id) })),
}))
