import type { Device, House } from '../../api/types'
import { areSameRoom } from '../../parts/rooms'

const sends = (box: Device, ssid: string) =>
  (box.wifi ?? []).some((one) => one.ssid === ssid && one.enabled !== false)

/** The one box that sends the name in that room: it is heard best there. */
export function nearIn(house: House, room: string, ssid: string): string | undefined {
  const there = (house.devices ?? []).filter(
    (box) => box.room && areSameRoom(house, box.room, room) && sends(box, ssid),
  )
  return there.length === 1 ? there[0].id : undefined
}

/** The one box that sends the name on that band: a partner that is named is this one. */
export function soleSender(house: House, ssid: string, band: string): string | undefined {
  const all = (house.devices ?? []).filter((box) =>
    (box.wifi ?? []).some(
      (one) =>
        one.ssid === ssid &&
        one.enabled !== false &&
        box.radios?.some((radio) => radio.id === one.radio && radio.band === band),
    ),
  )
  return all.length === 1 ? all[0].id : undefined
}
