'use client'
import { useState, type ReactNode } from 'react'

/** A line that opens what stands beneath it; it is made when it is first opened, and what is typed in it stays when it is closed. */
export function OnceOpened({ say, children }: { say: string; children: ReactNode }) {
  const [wasOpened, setWasOpened] = useState(false)
  return (
    <details
      className="no-print mt-4 max-w-xl"
      onToggle={(e) => {
        if (e.currentTarget.open) setWasOpened(true)
      }}
    >
      <summary className="underline underline-offset-2 cursor-pointer py-2">{say}</summary>
      {wasOpened && children}
    </details>
  )
}
