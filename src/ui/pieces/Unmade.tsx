'use client'
import { useEffect, useState } from 'react'
import { Button } from './Button'

/** How often it is asked whether the page can be made again, ms. */
const ASKED_EVERY_MS = 3000

const loadAnew = () => window.location.reload()

/**
 * Stands where a page could not be made. It asks whether the server can work; where it could not and then can, the page is loaded again by
 * itself (`again`). `heading` is its title.
 */
export function Unmade({ heading, again = loadAnew }: { heading: string; again?: () => void }) {
  const [state, setState] = useState<'asking' | 'away' | 'working'>('asking')
  useEffect(() => {
    let away = false
    let asked: ReturnType<typeof setTimeout>
    const ask = async () => {
      const works = await fetch('/api/health', { cache: 'no-store' }).then(
        (r) => r.ok,
        () => false,
      )
      if (works && away) return again()
      away = !works
      setState(works ? 'working' : 'away')
      asked = setTimeout(() => void ask(), ASKED_EVERY_MS)
    }
    void ask()
    return () => clearTimeout(asked)
  }, [again])
  return (
    <>
      <h1>{heading}</h1>
      <p className="mt-2" role="status">
        {state === 'working'
          ? 'Something in the page went wrong. Nothing that was saved is lost. Try again; if it stays so, tell whoever keeps the house.'
          : 'The database does not answer just now. Nothing that was saved is lost. This page asks every few seconds and comes back by itself.'}
      </p>
      <Button now className="mt-4" onClick={again}>
        Try again
      </Button>
    </>
  )
}
