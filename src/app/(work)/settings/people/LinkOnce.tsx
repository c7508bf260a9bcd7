'use client'
import { useState } from 'react'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'

/** A link that is shown once, to be handed on. */
export function LinkOnce({ link, says, onKept }: { link: string; says: string; onKept: () => void }) {
  const [copied, setCopied] = useState(false)
  // Without an address of the firm's own it begins where this page is.
  const whole =
    link.startsWith('/') && typeof window !== 'undefined' ? `${window.location.origin}${link}` : link
  return (
    <Note as="div" says="good" className="mt-4" role="status">
      <p>{says}</p>
      <div className="flex flex-wrap items-center gap-2 mt-2">
        <code className="bg-paper border border-line px-2 py-1.5 break-all" data-testid="link">
          {whole}
        </code>
        <Button
          onClick={async () => {
            await navigator.clipboard?.writeText(whole).catch(() => {})
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
