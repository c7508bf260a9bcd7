'use client'
import { useMemo } from 'react'
import { Asked } from './Asked'

/** The time zone of this device, for a field that begins with it. */
export const ownTimeZone = () => Intl.DateTimeFormat().resolvedOptions().timeZone

/** A choice of all time zones there are. */
export function TimeZone({ at }: { at: string }) {
  const options = useMemo(() => {
    const zones = Intl.supportedValuesOf('timeZone')
    const all = zones.includes('UTC') ? zones : [...zones, 'UTC']
    return all.map((zone) => [zone, zone.replace(/_/g, ' ')] as const)
  }, [])
  return <Asked at={at} options={options} />
}
