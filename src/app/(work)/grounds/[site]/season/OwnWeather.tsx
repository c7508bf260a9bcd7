'use client'
import { useRouter } from 'next/navigation'
import { showSpeed, showTemperature } from '@/core/quantity/format'
import type { SeasonView } from '@/server/read/season'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { NotedList } from '@/ui/pieces/NotedList'
import { useMay } from '@/ui/shell/may'
import { clockTime, shortDate } from '@/ui/when'
import { HoursFile } from './HoursFile'
import { AskedForm } from '@/ui/form/AskedForm'
import { Asked } from '@/ui/form/Asked'
import { useStep } from '@/ui/form/useStep'
import { readWeatherAsks } from '@/asks/season'

/** The weather as it is read at the site: by hand for the hour, or from a station’s file. */
export function OwnWeather({ view }: { view: SeasonView }) {
  const may = useMay()
  const router = useRouter()
  const read = useStep('read-weather', 'id')
  const back = useVerb('take-weather-back')
  const us = view.units === 'us'
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
        <>
          <AskedForm
            asks={readWeatherAsks}
            start={{ temperature: '', wind: '' }}
            fixed={{ siteId: view.site.id }}
            by={read}
            again
            onDone={() => router.refresh()}
            keep="Keep the reading"
            quiet
            inline
            className="mt-2 flex flex-wrap gap-3 items-end"
          >
            <Asked at="temperature" label={`Temperature now, ${us ? '°F' : '°C'}`} />
            <Asked at="wind" label={`Wind now, ${us ? 'mph' : 'm/s'}`} />
          </AskedForm>
          <p className="text-small text-ink2 mt-1">
            It holds for an hour at this site, before what the weather service says.
          </p>
        </>
      )}
      {may('enter-hours') && <HoursFile view={view} />}
    </section>
  )
}
