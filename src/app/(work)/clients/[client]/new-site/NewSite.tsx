'use client'
import { useState } from 'react'
import { addSiteAsks } from '@/asks/places'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { useGo } from '@/ui/shell/useGo'
import { NO_SITE, SiteFields } from '../../SiteFields'

/** Enters a site of a client; what follows are its trees. */
export function NewSite({ client }: { client: { id: string; name: string } }) {
  const go = useGo()
  const [fixed] = useState({ clientId: client.id })
  return (
    <div className="max-w-2xl">
      <h1>New site</h1>
      <p className="text-ink2 mt-1">of {client.name}</p>
      <AskedForm
        asks={addSiteAsks}
        fixed={fixed}
        start={NO_SITE}
        by={useStep('add-site', 'id')}
        onDone={({ id }) => go(`/grounds/${id}`)}
        keep="Keep it, then its trees →"
        onLeave={() => go(`/clients/${client.id}`)}
        className="grid gap-4 mt-3"
      >
        <SiteFields />
      </AskedForm>
    </div>
  )
}
