import { type RefObject, useLayoutEffect, useState } from 'react'

/** How wide an element is, as the window and what stands beside it change; 0 until it is known. */
export function useWidth(of: RefObject<HTMLElement | null>) {
  const [width, setWidth] = useState(0)
  useLayoutEffect(() => {
    const element = of.current
    if (!element) return
    const measure = () => setWidth(element.clientWidth)
    measure()
    const watch = new ResizeObserver(measure)
    watch.observe(element)
    return () => watch.disconnect()
  }, [of])
  return width
}
