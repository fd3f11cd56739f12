import { type KeyboardEvent, type PointerEvent, useRef, useState } from 'react'
import type { AirRoomView } from '../../api/types'
import type { Frame } from './frame'
import type { Placed } from './places'
import { type Point, rectOf, roomAt, snap } from './sheets'

/** Where a box is held over the floor just now. */
export type Carried = { id: string; at: Point; room: AirRoomView | undefined }

const liftPx = 4

/**
 * Carries a box over the floor: by the finger, or by the arrows half a metre at a time until Enter puts it down. Escape takes it back. What is
 * not moved is a press.
 */
export function useCarry(props: {
  frame: Frame
  rooms: AirRoomView[]
  element: () => HTMLElement | null
  drop: (carried: Carried) => void
  press: (id: string) => void
}) {
  const { frame, rooms, element, drop, press } = props
  const [carried, setCarried] = useState<Carried | null>(null)
  const start = useRef<{ id: string; x: number; y: number; lifted: boolean } | null>(null)

  const over = (id: string, px: Point): Carried => {
    const raw = frame.at(px)
    const at = { x: snap(raw.x), y: snap(raw.y) }
    return { id, at, room: roomAt(rooms, raw) ?? roomAt(rooms, at) }
  }
  const local = (event: PointerEvent): Point => {
    const box = element()?.getBoundingClientRect()
    return { x: event.clientX - (box?.left ?? 0), y: event.clientY - (box?.top ?? 0) }
  }
  const home = (placed: Placed): Point => {
    if (placed.isPut) return frame.at({ x: placed.x, y: placed.y })
    const room = rooms.find((one) => one.id === placed.stander.room)
    const rect = room && rectOf(room)
    return rect
      ? { x: rect.x + rect.width / 2, y: rect.y + rect.depth / 2 }
      : frame.at({ x: placed.x, y: placed.y })
  }

  return {
    carried,
    events: (placed: Placed) => ({
      onPointerDown: (event: PointerEvent<HTMLButtonElement>) => {
        if (event.button !== 0) return
        event.stopPropagation()
        event.currentTarget.setPointerCapture(event.pointerId)
        start.current = { id: placed.stander.id, x: event.clientX, y: event.clientY, lifted: false }
      },
      onPointerMove: (event: PointerEvent) => {
        const begun = start.current
        if (!begun) return
        if (Math.hypot(event.clientX - begun.x, event.clientY - begun.y) < liftPx && !begun.lifted) return
        begun.lifted = true
        setCarried(over(begun.id, local(event)))
      },
      onPointerUp: () => {
        const begun = start.current
        start.current = null
        if (begun && !begun.lifted) press(begun.id)
        else if (carried?.room) drop(carried)
        setCarried(null)
      },
      onPointerCancel: () => {
        start.current = null
        setCarried(null)
      },
      onBlur: () => !start.current && setCarried(null),
      onKeyDown: (event: KeyboardEvent) => {
        const by = { ArrowLeft: [-0.5, 0], ArrowRight: [0.5, 0], ArrowUp: [0, -0.5], ArrowDown: [0, 0.5] }[
          event.key
        ]
        if (by) {
          event.preventDefault()
          const from = carried?.at ?? home(placed)
          const at = { x: snap(from.x + by[0]), y: snap(from.y + by[1]) }
          setCarried({ id: placed.stander.id, at, room: roomAt(rooms, at) })
        } else if (event.key === 'Enter' || event.key === ' ') {
          event.preventDefault()
          if (event.repeat) return
          if (!carried) press(placed.stander.id)
          else if (carried.room) {
            drop(carried)
            setCarried(null)
          }
        } else if (event.key === 'Escape' && carried) {
          event.stopPropagation()
          setCarried(null)
        }
      },
    }),
  }
}
