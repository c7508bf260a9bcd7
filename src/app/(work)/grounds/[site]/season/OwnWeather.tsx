'use client'
import { useRouter } from 'next/navigation'
import { useState } from 'react'
import { showSpeed, showTemperature } from '@/core/quantity/format'
import type { SeasonView } from '@/server/read/season'
import { Doubt } from '@/ui/fields/Doubt'
import { Field } from '@/ui/fields/Field'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { NotedList } from '@/ui/pieces/NotedList'
import { useMay } from '@/ui/shell/may'
import { clockTime, shortDate } from '@/ui/when'
import { HoursFile } from './HoursFile'

const NOTHING = { temperature: '', wind: '' }

/** The weather as it is read at the site: by hand for the hour, or from a station’s file. */
export function OwnWeather({ view }: { view: SeasonView }) {
  const may = useMay()
  const router = useRouter()
  const read = useVerb('read-weather', { makes: 'id' })
  const back = useVerb('take-weather-back')
  const [form, setForm] = useState(NOTHING)
  const us = view.units === 'us'
  const at = (field: string) =>
    read.problem?.field === field && read.problem.code !== 'doubt' ? read.problem.message : null
  async function keep(accepted: string[] = []) {
    const kept = await read.send({ siteId: view.site.id, ...form, accepted })
    if (!kept) return
    setForm(NOTHING)
    router.refresh()
  }
  return (
    <section aria-label="Weather read here" className="mt-6 border-t border-line pt-3 no-print max-w-3xl">
      <h2>Weather read here</h2>
      <NotedList
        noted={view.readings.map((r) => ({
          id: r.id,
          what: (
            <>
              <b>{clockTime(r.at, view.site.timeZone)}</b>: {showTemperature(r.temperatureC, view.units)},
              wind {showSpeed(r.windMs, view.units)}
            </>
          ),
          by: `read by ${r.by}, ${shortDate(r.at, view.site.timeZone)}`,
        }))}
        busy={back.busy}
        onBack={
          may('take-weather-back')
            ? async (readingId) => {
                if ((await back.send({ readingId })) !== null) router.refresh()
              }
            : null
        }
      />
      <ProblemNote problem={back.problem} />
      {may('read-weather') && (
        <form
          className="mt-2 flex flex-wrap gap-3 items-end"
          noValidate
          onSubmit={(e) => {
            e.preventDefault()
            void keep()
          }}
        >
          <Field
            label={`Temperature now, ${us ? '°F' : '°C'}`}
            value={form.temperature}
            inputMode="decimal"
            onChange={(e) => setForm({ ...form, temperature: e.target.value })}
            problem={at('temperature')}
          />
          <Field
            label={`Wind now, ${us ? 'mph' : 'm/s'}`}
            value={form.wind}
            inputMode="decimal"
            onChange={(e) => setForm({ ...form, wind: e.target.value })}
            problem={at('wind')}
          />
          <Button type="submit" disabled={read.busy}>
            Keep the reading
          </Button>
          <div className="basis-full">
            <Doubt problem={read.problem} busy={read.busy} onKeep={(code) => void keep([code])} />
            <ProblemNote
              problem={
                read.problem &&
                (read.problem.code === 'doubt' || ['temperature', 'wind'].includes(read.problem.field))
                  ? null
                  : read.problem
              }
              onAnew={read.renew}
            />
            <p className="text-small text-ink2 mt-1">
              It holds for an hour at this site, before what the weather service says.
            </p>
          </div>
        </form>
      )}
      {may('enter-hours') && <HoursFile view={view} />}
    </section>
  )
}
