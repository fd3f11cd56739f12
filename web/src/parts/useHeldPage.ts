import { useLayoutEffect } from 'react'

let sheets = 0

/**
 * The page stays where it is while a sheet lies on it. The library's own lock notes the width of the scrollbar at the root of the page
 * as well, which nobody reads here and for which everything on it is styled anew, as often as a sheet opens or closes. Where the page is
 * a frame as high as the window, whose parts scroll by themselves, there is nothing to hold, and it would all be laid out again.
 */
export function useHeldPage(isHeld: boolean) {
  useLayoutEffect(() => {
    if (!isHeld || document.querySelector('.frame')) return
    const { style } = document.documentElement
    sheets++
    style.overflow = 'hidden'
    return () => {
      if (--sheets === 0) style.overflow = ''
    }
  }, [isHeld])
}
