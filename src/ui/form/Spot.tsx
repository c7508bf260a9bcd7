'use client'
import { useFormContext } from 'react-hook-form'
import { Button } from '../pieces/Button'
import { useHere } from '../plan/useHere'
import { Asked } from './Asked'

/** Latitude and longitude of a form, typed or taken from where this device is. `within` is the path they stand under. */
export function Spot({ within = '' }: { within?: string }) {
  const { setValue } = useFormContext()
  const at = (name: string) => (within ? `${within}.${name}` : name)
  const here = useHere(({ latitude, longitude }) => {
    setValue(at('latitude'), latitude.toFixed(5), { shouldValidate: true })
    setValue(at('longitude'), longitude.toFixed(5), { shouldValidate: true })
  })
  return (
    <div>
      <div className="grid grid-cols-2 gap-3">
        <Asked at={at('latitude')} />
        <Asked at={at('longitude')} />
      </div>
      <div className="flex flex-wrap items-center gap-3 mt-1.5">
        <Button quiet onClick={here.ask}>
          Take where I am
        </Button>
        <span role="status" className="text-small text-ink2">
          {here.said}
        </span>
      </div>
    </div>
  )
}
