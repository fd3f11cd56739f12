import { create } from 'zustand'
import type { Socket } from '../api/types'

/** What the installer holds: a socket that was picked up, waiting for the one where its cable shall go. */
export const useHand = create<{
  held: Socket | null
  lastAddress: string | null
  hold: (socket: Socket | null) => void
  remember: (address: string) => void
}>((set) => ({
  held: null,
  lastAddress: null,
  hold: (held) => set({ held }),
  remember: (lastAddress) => set({ lastAddress }),
}))

export const sameSocket = (a: Socket | null | undefined, b: Socket | null | undefined) =>
  !!a && !!b && a.device === b.device && a.port === b.port
