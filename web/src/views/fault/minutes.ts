/** Half minutes are said so. */
export const minutesOf = (minutes: number) =>
  minutes < 1 ? 'half a minute' : `${minutes % 1 === 0 ? minutes : minutes.toFixed(1)} min`
