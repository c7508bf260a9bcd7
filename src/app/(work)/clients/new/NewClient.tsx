'use client'
import { addClientAsks } from '@/asks/places'
import { AskedForm } from '@/ui/form/AskedForm'
import { useStep } from '@/ui/form/useStep'
import { useGo } from '@/ui/shell/useGo'
import { ClientFields, NO_CONTACT } from '../ClientFields'

/** Enters a client; what follows is their first site. */
export function NewClient() {
  const go = useGo()
  return (
    <div className="max-w-2xl">
      <h1>New client</h1>
      <AskedForm
        asks={addClientAsks}
        start={{ name: '', contacts: [NO_CONTACT], notices: 'e-mail', note: '' }}
        by={useStep('add-client', 'id')}
        onDone={({ id }) => go(`/clients/${id}/new-site`)}
        keep="Keep it, then their site →"
        onLeave={() => go('/clients')}
        className="grid gap-4 mt-3"
      >
        <ClientFields />
      </AskedForm>
    </div>
  )
}
