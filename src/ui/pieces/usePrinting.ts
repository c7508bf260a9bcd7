import { useEffect, useState } from 'react'
import { flushSync } from 'react-dom'

/** True while the page is being printed, so that what only paper needs is drawn then and not before. */
export function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false)
  useEffect(() => {
    const set = (now: boolean) => () => flushSync(() => setPrinting(now))
    const [begin, end] = [set(true), set(false)]
    const paper = window.matchMedia('print')
    const change = () => setPrinting(paper.matches)
    window.addEventListener('beforeprint', begin)
    window.addEventListener('afterprint', end)
    // Where the page is shown as it prints.
    paper.addEventListener('change', change)
    return () => {
      paper.removeEventListener('change', change)
      window.removeEventListener('beforeprint', begin)
      window.removeEventListener('afterprint', end)
    }
  }, [])
  return printing
}
