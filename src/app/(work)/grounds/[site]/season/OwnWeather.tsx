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

const NOTHING = { temperature: '', wind: '' }
/** What a station writes in years is read in parts. */
const LARGEST_FILE = 3_000_000

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

/** A station’s file: read on this device, told what is in it, then kept. */
function HoursFile({ view }: { view: SeasonView }) {
  const router = useRouter()
  const enter = useVerb('enter-hours')
  const [said, setSaid] = useState<{ words: string; wrong: boolean } | null>(null)
  const [busy, setBusy] = useState(false)
  async function open(file: File | undefined) {
    if (!file) return
    setSaid(null)
    if (file.size > LARGEST_FILE) {
      setSaid({ words: `${file.name} is larger than 3 MB; cut it in two.`, wrong: true })
      return
    }
    setBusy(true)
    const [{ readCsv }, { readHoursFile }] = await Promise.all([
      import('@/ui/files/csv'),
      import('@/core/weather/hoursFile'),
    ])
    const cells = readCsv(await file.text())
    const read = cells.ok
      ? readHoursFile(cells.value.lines, view.site.timeZone, cells.value.commaInNumbers)
      : cells
    if (!read.ok) setSaid({ words: `${file.name}: ${read.problem.message}`, wrong: true })
    else {
      const { from, hours, rows, leftAside } = read.value
      const kept = await enter.send({ siteId: view.site.id, from, hours })
      if (kept) {
        const aside = leftAside.length > 0 ? ` Left aside: ${leftAside.join(', ')}.` : ''
        const whose = kept.place === 'town' ? ', for all sites that have the town’s weather' : ''
        setSaid({
          words: `${rows.toLocaleString('en-US')} ${rows === 1 ? 'hour' : 'hours'} of ${kept.days} ${kept.days === 1 ? 'day' : 'days'} kept${whose}.${aside}`,
          wrong: false,
        })
        router.refresh()
      }
    }
    setBusy(false)
  }
  return (
    <div className="mt-3">
      <label className="btn btn-quiet">
        {busy ? 'Reading' : 'Read a station’s file (CSV)'}
        <input
          type="file"
          accept=".csv,.txt,text/csv,text/plain"
          className="sr-only"
          disabled={busy}
          onChange={(e) => {
            void open(e.target.files?.[0])
            e.target.value = ''
          }}
        />
      </label>
      <span role="status" className={`ml-3 ${said?.wrong ? 'text-plum font-bold' : ''}`}>
        {said?.words}
      </span>
      <ProblemNote problem={enter.problem} />
      <p className="text-small text-ink2 mt-1">
        Its first line names what stands in it, with units: time, temperature (F), wind (mph), rain (in). One
        line an hour.
      </p>
    </div>
  )
}
