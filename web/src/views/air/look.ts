import { createContext, useContext } from 'react'
import type { RoomRate } from '../../api/types'

/** Another house held against the one on screen: its rates by room, and what it is called. */
export type Look = { rooms: RoomRate[]; says: string } | null

/** In the planned house: what a room has as it was found. */
export type Found = ReadonlyMap<string, number>

export const LookContext = createContext<{ look: Look; found?: Found; show: (look: Look) => void }>({
  look: null,
  show: () => {},
})

export const useLook = () => useContext(LookContext)

export const lookAt = (look: Look, room: string) => look?.rooms.find((one) => one.room === room)?.mbps
