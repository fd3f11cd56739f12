import { onlineManager } from '@tanstack/react-query'
import { create } from 'zustand'

/** Whether there is internet is no matter, whether the laptop answers is. */
const beatMs = 2_000
const patienceMs = 4_000

/** The laptop answers, but not to this phone any more. */
export const useShutOut = create<{ isShutOut: boolean }>(() => ({ isShutOut: false }))

let watch: ReturnType<typeof setInterval> | undefined

async function isThere(): Promise<boolean> {
  try {
    const answer = await fetch('/altrin.svg', {
      method: 'HEAD',
      cache: 'no-store',
      signal: AbortSignal.timeout(patienceMs),
    })
    useShutOut.setState({ isShutOut: answer.status === 401 })
    return answer.ok
  } catch {
    return false
  }
}

/** Looks again every two seconds until the server answers; then everything that waits goes on by itself. */
export function serverIsAway() {
  onlineManager.setOnline(false)
  if (watch) return
  let isLooking = false
  const look = async () => {
    if (isLooking) return
    isLooking = true
    const there = await isThere()
    isLooking = false
    if (!there) return
    clearInterval(watch)
    watch = undefined
    onlineManager.setOnline(true)
  }
  watch = setInterval(look, beatMs)
  void look()
}

/** The browser's own opinion, which is about the internet, is not asked. */
export function watchServer() {
  onlineManager.setEventListener(() => () => {})
  onlineManager.setOnline(true)
}
