/** Between two wires that run side by side. */
export const lane = 8
export const cardH = 48
export const boxH = 92
/** A further line of a tread's lettering, and how many lines at most name its DHCP servers. */
export const letterLine = 17
export const mostServerLines = 3
/** Room at the right of a tread for its lettering. */
export const letterW = 286
/** Left of a box's things, where its Wi-Fi comes down. */
export const radioColumn = 32
/** Between boxes that stand side by side. */
export const bandGap = 14
export const bandBoxW = 188
/** Between radio links above a row of boxes. */
export const radioLane = 11
/** Where the street runs. */
export const streetY = 36

export type Sizes = {
  narrow: boolean
  cardW: number
  gap: number
  boxW: number
  indent: number
  labelH: number
  /** Between two sockets at least and at most; what of it can be pressed. */
  leastPitch: number
  mostPitch: number
  hit: number
}

export const sizesFor = (width: number): Sizes =>
  width < 560
    ? {
        narrow: true,
        cardW: 134,
        gap: 10,
        boxW: 196,
        indent: 12,
        labelH: 8,
        leastPitch: 45,
        mostPitch: 46,
        hit: 44,
      }
    : {
        narrow: false,
        cardW: 146,
        gap: 16,
        boxW: 232,
        indent: 52,
        labelH: 64,
        leastPitch: 20,
        mostPitch: 36,
        hit: 30,
      }
