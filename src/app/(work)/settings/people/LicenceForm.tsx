'use client'
import { useState } from 'react'
import { licenceAsks } from '@/asks/house'
import { CATEGORIES } from '@/core/roster/licence'
import { Ticks } from '@/ui/fields/Ticks'
import { Asked, useAsked } from '@/ui/form/Asked'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'

/** A licence that goes on file: number, what for, of which state, until when. */
export function LicenceForm({
  personId,
  onDone,
  onLeave,
}: {
  personId: string
  onDone: () => void
  onLeave: () => void
}) {
  const [fixed] = useState({ personId })
  return (
    <AskedForm
      asks={licenceAsks}
      fixed={fixed}
      start={{ number: '', categories: [], state: '', until: '' }}
      by={useStep('add-licence', 'id')}
      onDone={onDone}
      keep="Put it on file"
      onLeave={onLeave}
      className="bg-sheet border border-line p-4 mt-2 grid gap-3"
    >
      <div className="grid sm:grid-cols-3 gap-3">
        <Asked at="number" autoFocus />
        <Asked at="state" />
        <Asked at="until" />
      </div>
      <ForWhat />
    </AskedForm>
  )
}

function ForWhat() {
  const { about, value, set, problem } = useAsked<string[]>('categories')
  return (
    <Ticks
      legend={about.label}
      className="flex flex-wrap gap-x-5"
      options={CATEGORIES}
      chosen={value}
      onChosen={set}
      problem={problem}
    />
  )
}
