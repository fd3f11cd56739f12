import { onlineManager } from '@tanstack/react-query'

/** Altrin runs on this very machine: whether there is internet is no matter, whether it answers is. */
const beatMs = 2_000

let watch: ReturnType<typeof setInterval> | undefined

async function isThere(): Promise<boolean> {
  try {
    const answer = await fetch('/altrin.svg', { method: 'HEAD', cache: 'no-store' })
    return answer.ok
  } catch {
    return false
  }
}

/** Looks again every two seconds until the server answers; then everything that waits goes on by itself. */
export function serverIsAway() {
  onlineManager.setOnline(false)
  watch ??= setInterval(async () => {
    if (!(await isThere())) return
    clearInterval(watch)
    watch = undefined
    onlineManager.setOnline(true)
  }, beatMs)
}

/** The browser's own opinion, which is about the internet, is not asked. */
export function watchServer() {
  onlineManager.setEventListener(() => () => {})
  onlineManager.setOnline(true)
}
