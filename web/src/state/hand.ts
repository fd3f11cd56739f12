import { create } from 'zustand'
import type { KitView, Socket } from '../api/types'

/** A box from the shelf with what its own label says. */
export type HeldKind = {
  kind: KitView
  label: { name: string; room?: string; mac?: string; address?: string }
}

/** What the installer holds: a socket that was picked up, waiting for the one where its cable shall go; or a box from the shelf. */
export const useHand = create<{
  held: Socket | null
  kind: HeldKind | null
  /** Why it could not be put where it was tried. */
  problem: string | null
  /** Where the pointer carries it; null while nothing is dragged. */
  at: { x: number; y: number } | null
  lastAddress: string | null
  hold: (socket: Socket | null) => void
  takeKind: (kind: HeldKind | null) => void
  remember: (address: string) => void
}>((set) => ({
  held: null,
  kind: null,
  problem: null,
  at: null,
  lastAddress: null,
  hold: (held) => set(held ? { held, kind: null } : { held, kind: null, at: null }),
  takeKind: (kind) => set({ kind, held: null, problem: null }),
  remember: (lastAddress) => set({ lastAddress }),
}))

export const sameSocket = (a: Socket | null | undefined, b: Socket | null | undefined) =>
  !!a && !!b && a.device === b.device && a.port === b.port
