'use client'
import { useState } from 'react'
import { personAsks } from '@/asks/house'
import type { PeopleView } from '@/server/read/house'
import { Asked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'

/** Name, role and keys of a person. */
export function ChangePerson({
  person: p,
  onDone,
  onLeave,
}: {
  person: PeopleView['people'][number]
  onDone: () => void
  onLeave: () => void
}) {
  const [fixed] = useState({ personId: p.id })
  return (
    <AskedForm
      asks={personAsks}
      fixed={fixed}
      start={{ name: p.name, role: p.role, keepsHouse: p.keepsHouse }}
      by={useStep('set-person')}
      onDone={onDone}
      keep="Keep it"
      onLeave={onLeave}
      className="bg-sheet border border-line p-4 mt-2 grid gap-3"
    >
      <div className="grid sm:grid-cols-2 gap-3">
        <Asked at="name" autoFocus />
        <Asked at="role" />
      </div>
      <Asked at="keepsHouse" />
    </AskedForm>
  )
}
