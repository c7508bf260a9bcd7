'use client'
import { useEffect, useLayoutEffect, useRef } from 'react'

/** Letters after `g`, and where they lead. */
export const GO_TO: Record<string, { href: string; text: string }> = {
  t: { href: '/', text: 'Today' },
  g: { href: '/grounds', text: 'Grounds' },
  i: { href: '/clients', text: 'Clients' },
  o: { href: '/turn', text: 'Whose turn' },
  e: { href: '/waiting/examine', text: 'Examine' },
  w: { href: '/waiting/weigh', text: 'Weigh' },
  d: { href: '/waiting/decide', text: 'Decide' },
  p: { href: '/waiting/prescribe', text: 'Prescribe' },
  n: { href: '/week', text: 'Week' },
  v: { href: '/overdue', text: 'Overdue' },
  r: { href: '/run', text: 'Run' },
  l: { href: '/ledger', text: 'Ledger' },
  f: { href: '/follow-up', text: 'Follow-up' },
  a: { href: '/almanac', text: 'Almanac' },
  c: { href: '/practice', text: 'Practice' },
  b: { href: '/shelf', text: 'Shelf' },
  k: { href: '/reckon', text: 'Reckon' },
  s: { href: '/settings', text: 'Settings' },
}

/** True where a key belongs to what is being typed. */
export function isTyping(target: EventTarget | null): boolean {
  const el = target as HTMLElement | null
  return !!el && (/^(INPUT|TEXTAREA|SELECT)$/.test(el.tagName) || el.isContentEditable)
}

/** The frame's keys: `/` find, `?` the list, `g` and a letter. Never while typing. */
export function useKeys(on: { find: () => void; help: () => void; go: (letter: string) => void }): void {
  const latest = useRef(on)
  useLayoutEffect(() => {
    latest.current = on
  })
  useEffect(() => {
    let waitingForLetter = 0
    function press(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
      if (document.querySelector('[role=dialog]')) return
      if (waitingForLetter > Date.now()) {
        waitingForLetter = 0
        if (GO_TO[event.key]) {
          event.preventDefault()
          event.stopImmediatePropagation()
          latest.current.go(event.key)
        }
        return
      }
      if (event.key === '/') latest.current.find()
      else if (event.key === '?') latest.current.help()
      else if (event.key === 'g') waitingForLetter = Date.now() + 1500
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', press, true)
    return () => window.removeEventListener('keydown', press, true)
  }, [])
}

/** One view's own keys, e.g. `{ j: next, k: previous }`. Never while typing or under a dialog. */
export function useViewKeys(keys: Record<string, (event: KeyboardEvent) => void>): void {
  const latest = useRef(keys)
  // With what is drawn, not after it: a key pressed as soon as a page is seen is that page's.
  useLayoutEffect(() => {
    latest.current = keys
  })
  useLayoutEffect(() => {
    function press(event: KeyboardEvent) {
      if (event.ctrlKey || event.metaKey || event.altKey || isTyping(event.target)) return
      if (document.querySelector('[role=dialog]')) return
      const act = latest.current[event.key]
      if (!act) return
      event.preventDefault()
      act(event)
    }
    window.addEventListener('keydown', press)
    return () => window.removeEventListener('keydown', press)
  }, [])
}
