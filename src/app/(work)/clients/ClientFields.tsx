'use client'
import { useFieldArray } from 'react-hook-form'
import { Asked } from '@/ui/form/Asked'
import { Button } from '@/ui/pieces/Button'

export const NO_CONTACT = { name: '', role: '', telephone: '', email: '', language: 'en' }

/** What is typed of a client: name, whom to ask for, how they want to be told of work. */
export function ClientFields() {
  const { fields, append, remove } = useFieldArray({ name: 'contacts' })
  return (
    <>
      <div className="grid sm:grid-cols-2 gap-3">
        <Asked at="name" autoFocus />
        <Asked at="notices" />
      </div>
      {fields.map((f, i) => (
        <fieldset key={f.id} className="border-l-2 border-line pl-3 grid gap-3">
          <legend className="sr-only">Contact {i + 1}</legend>
          <div className="grid sm:grid-cols-2 gap-3">
            <Asked at={`contacts.${i}.name`} label={i === 0 ? 'Whom to ask for' : 'Also'} />
            <Asked at={`contacts.${i}.role`} />
            <Asked at={`contacts.${i}.telephone`} />
            <Asked at={`contacts.${i}.email`} />
          </div>
          <div>
            <Button quiet onClick={() => remove(i)}>
              Take this contact out
            </Button>
          </div>
        </fieldset>
      ))}
      <div>
        <Button quiet onClick={() => append(NO_CONTACT)}>
          + {fields.length === 0 ? 'a contact' : 'another contact'}
        </Button>
      </div>
      <Asked at="note" rows={2} />
    </>
  )
}
