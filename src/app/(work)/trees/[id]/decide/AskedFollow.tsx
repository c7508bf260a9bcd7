'use client'
import type { ComponentProps } from 'react'
import { useAsking, useRefusal } from '@/ui/form/AskedForm'
import { FollowFields, followFields } from './FollowFields'

/** What follows a decision, in a form: what is refused of it is told beside its fields. */
export function AskedFollow(of: Omit<ComponentProps<typeof FollowFields>, 'problem'>) {
  const { problem } = useAsking()
  return (
    <>
      {followFields(of.action).map((field) => (
        <Drawn key={field} field={field} />
      ))}
      <FollowFields {...of} problem={problem} />
    </>
  )
}

/** Says that a field is drawn. */
function Drawn({ field }: { field: string }) {
  useRefusal(field)
  return null
}
