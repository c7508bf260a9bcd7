import { useEffect, useRef, useState, type RefObject } from 'react'

/** How wide an element is drawn, px; `first` until it is known. */
export function useWidth<E extends HTMLElement>(first: number): [RefObject<E | null>, number] {
  const element = useRef<E>(null)
  const [width, setWidth] = useState(first)
  useEffect(() => {
    const watched = element.current
    if (!watched) return
    const observer = new ResizeObserver(([entry]) => entry && setWidth(Math.round(entry.contentRect.width)))
    observer.observe(watched)
    return () => observer.disconnect()
  }, [])
  return [element, width]
}
