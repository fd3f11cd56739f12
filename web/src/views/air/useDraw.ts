import { type PointerEvent, useRef, useState } from 'react'
import type { AirRoomView } from '../../api/types'
import type { Frame } from './frame'
import { overlaps, type Point, type Rect, rectOf, snap } from './sheets'

/** A rectangle under the finger: a new room, or one that is moved or made bigger. */
export type Drawn = { rect: Rect; of: AirRoomView | null; clashes: string | undefined }

const leastM = 1

/** Draws on the floor: on free ground a new room, on a room that one is moved, at its corner it is made bigger. Snapped to half a metre. */
export function useDraw(props: {
  frame: Frame
  rooms: AirRoomView[]
  element: () => HTMLElement | null
  done: (drawn: Drawn) => void
}) {
  const { frame, rooms, element, done } = props
  const [drawn, setDrawn] = useState<Drawn | null>(null)
  const begun = useRef<{ at: Point; of: AirRoomView | null; corner: boolean } | null>(null)

  const metre = (event: PointerEvent): Point => {
    const box = element()?.getBoundingClientRect()
    return frame.at({ x: event.clientX - (box?.left ?? 0), y: event.clientY - (box?.top ?? 0) })
  }
  const shaped = (to: Point): Rect => {
    const from = begun.current
    if (!from) return { x: 0, y: 0, width: 0, depth: 0 }
    const its = from.of && rectOf(from.of)
    if (its && !from.corner)
      return { ...its, x: snap(its.x + to.x - from.at.x), y: snap(its.y + to.y - from.at.y) }
    if (its)
      return {
        ...its,
        width: Math.max(leastM, snap(its.width + to.x - from.at.x)),
        depth: Math.max(leastM, snap(its.depth + to.y - from.at.y)),
      }
    const [x1, x2] = [snap(Math.min(from.at.x, to.x)), snap(Math.max(from.at.x, to.x))]
    const [y1, y2] = [snap(Math.min(from.at.y, to.y)), snap(Math.max(from.at.y, to.y))]
    return { x: x1, y: y1, width: x2 - x1, depth: y2 - y1 }
  }
  const begin = (of: AirRoomView | null, corner: boolean) => (event: PointerEvent) => {
    if (event.button !== 0) return
    event.stopPropagation()
    event.preventDefault()
    element()?.setPointerCapture(event.pointerId)
    begun.current = { at: metre(event), of, corner }
  }
  const end = () => {
    const from = begun.current
    begun.current = null
    setDrawn(null)
    if (!from || !drawn || drawn.clashes) return
    if (drawn.rect.width < leastM || drawn.rect.depth < leastM) return
    done(drawn)
  }

  return {
    drawn,
    ground: {
      onPointerDown: begin(null, false),
      onPointerMove: (event: PointerEvent) => {
        const from = begun.current
        if (!from) return
        const rect = shaped(metre(event))
        const clash = rooms.find((room) => {
          const its = rectOf(room)
          return its && room.id !== from.of?.id && overlaps(rect, its)
        })
        setDrawn({ rect, of: from.of, clashes: clash?.name })
      },
      onPointerUp: end,
      onPointerCancel: () => {
        begun.current = null
        setDrawn(null)
      },
    },
    grip: (room: AirRoomView) => ({ body: begin(room, false), corner: begin(room, true) }),
  }
}
