'use client'
import { useState } from 'react'
import { useFormContext } from 'react-hook-form'
import { Button } from '../pieces/Button'
import { Asked } from './Asked'

/** Latitude and longitude of a form, typed or taken from where this device is. `within` is the path they stand under. */
export function Spot({ within = '' }: { within?: string }) {
  const { setValue } = useFormContext()
  const [said, setSaid] = useState<string | null>(null)
  const at = (name: string) => (within ? `${within}.${name}` : name)
  function here() {
    if (!('geolocation' in navigator))
      return setSaid('This device does not know where it is; type the degrees.')
    setSaid('Looking where this device is …')
    navigator.geolocation.getCurrentPosition(
      ({ coords }) => {
        setValue(at('latitude'), coords.latitude.toFixed(5), { shouldValidate: true })
        setValue(at('longitude'), coords.longitude.toFixed(5), { shouldValidate: true })
        setSaid(`Taken from this device, within ${Math.round(coords.accuracy)} m.`)
      },
      () => setSaid('This device does not say where it is; type the degrees.'),
      { enableHighAccuracy: true, timeout: 15_000 },
    )
  }
  return (
    <div>
      <div className="grid grid-cols-2 gap-3">
        <Asked at={at('latitude')} />
        <Asked at={at('longitude')} />
      </div>
      <div className="flex flex-wrap items-center gap-3 mt-1.5">
        <Button quiet onClick={here}>
          Take where I am
        </Button>
        <span role="status" className="text-small text-ink2">
          {said}
        </span>
      </div>
    </div>
  )
}
