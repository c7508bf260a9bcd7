'use client'
import { useState } from 'react'
import type { Problem } from '@/core/problem'
import { Asked } from '../form/Asked'

/** E-mail, password, and the code of a second factor once it is asked for; what was typed stays. */
export function SignInFields({ problem }: { problem: Problem | null }) {
  const [asked, setAsked] = useState(false)
  if (problem?.field === 'code' && !asked) setAsked(true)
  return (
    <>
      <Asked at="email" autoComplete="username" autoFocus />
      <Asked at="password" />
      {asked && <Asked at="code" autoComplete="one-time-code" autoFocus />}
    </>
  )
}
