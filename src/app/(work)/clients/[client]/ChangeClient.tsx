'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { changeClientAsks } from '@/asks/places'
import type { ClientWholeView } from '@/server/read/clients'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { ClientFields } from '../ClientFields'

/** What is known of a client, to be changed. */
export function ChangeClient({ view: { client }, onDone }: { view: ClientWholeView; onDone: () => void }) {
  const router = useRouter()
  const [fixed] = useState({ clientId: client.id, version: client.version })
  return (
    <AskedForm
      asks={changeClientAsks}
      fixed={fixed}
      start={{
        name: client.name,
        contacts: client.contacts.map((c) => ({
          ...c,
          role: c.role ?? '',
          telephone: c.telephone ?? '',
          email: c.email ?? '',
        })),
        notices: client.notices,
        note: [client.contact, client.note].filter(Boolean).join('\n'),
      }}
      by={useStep('change-client')}
      onDone={() => {
        onDone()
        router.refresh()
      }}
      keep="Keep it"
      onLeave={onDone}
      className="bg-sheet border border-line p-4 mt-3 grid gap-4"
    >
      <ClientFields />
    </AskedForm>
  )
}
