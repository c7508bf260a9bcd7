'use client'
import { useState, type ReactNode } from 'react'
import { Button } from './Button'
import { Note } from './Note'

/** A secret that is shown once, to be copied to where it is used: a token, a link. */
export function ShownOnce({
  secret,
  testId,
  onKept,
  className = 'mt-4',
  children,
}: {
  secret: string
  /** For tests. */
  testId?: string
  onKept: () => void
  className?: string
  /** What it is and what to do with it. */
  children: ReactNode
}) {
  const [copied, setCopied] = useState(false)
  return (
    <Note as="div" says="good" className={className} role="status">
      <p>{children}</p>
      <div className="flex flex-wrap items-center gap-2 mt-2">
        <code className="bg-paper border border-line px-2 py-1.5 break-all" data-testid={testId}>
          {secret}
        </code>
        <Button
          onClick={async () => {
            await navigator.clipboard?.writeText(secret).catch(() => {})
            setCopied(true)
          }}
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
        <Button onClick={onKept}>I have it</Button>
      </div>
    </Note>
  )
}
