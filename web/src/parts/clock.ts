export const clock = (seconds: number) =>
  `${Math.floor(seconds / 60)}:${String(seconds % 60).padStart(2, '0')}`

/** Two short tones; a browser that lets no page sound stays silent, and the words stand there all the same. */
export function ring() {
  try {
    const audio = new AudioContext()
    for (const at of [0, 0.3]) {
      const tone = audio.createOscillator()
      tone.frequency.value = 880
      tone.connect(audio.destination)
      tone.start(audio.currentTime + at)
      tone.stop(audio.currentTime + at + 0.15)
    }
  } catch {
    // No sound here.
  }
}
