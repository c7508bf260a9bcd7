'use client'
import { useEffect, useState } from 'react'
import { grouped } from '@/core/grouped'
import { counted } from '@/core/text/counted'
import { unpack, type Packed } from '@/core/packed'
import { dateIn } from '@/core/time/calendar'
import type { FieldDay } from '@/server/read/field'
import type { EveningView } from '@/server/read/evening'
import type { ExamineView } from '@/server/read/examine'
import type { JobView } from '@/server/read/work'
import { lastPerson, viewOf } from '@/ui/field/deviceStore'
import { jobKey } from '@/ui/field/fetchJob'
import { DeviceSettings } from '@/ui/device/DeviceSettings'
import { showLight } from '@/ui/device/light'
import { ButtonLink } from '@/ui/pieces/Button'
import { Doorway } from '@/ui/shell/Doorway'
import { Frame } from '@/ui/shell/Frame'
import { MayProvider } from '@/ui/shell/may'
import { Strip } from '@/ui/shell/Strip'
import { clockTime, shortDate } from '@/ui/when'
import { Examine } from './Examine'
import { eveningHere } from './eveningHere'
import { examineHere, NO_TREES, type WaitingTree } from './examineHere'
import { Evening } from '../(work)/run/evening/Evening'
import { JobLines } from '../(work)/run/JobLines'
import { LoadOut } from '../(work)/run/load/LoadOut'
import { RunJobOf } from '../(work)/run/[job]/RunJob'

interface Kept {
  day: FieldDay
  /** When it was fetched, on the firm’s clock, epoch ms. */
  at: number
  path: string
  job: JobView | null
  /** The tree that is looked at. */
  examine: ExamineView | null
  waiting: WaitingTree[]
  evening: EveningView
}

/** Reads what the device keeps of the address that was asked for; null where nobody is signed in here, or nothing was fetched yet. */
async function readKept(path: string): Promise<Kept | null> {
  const person = await lastPerson()
  const day = person === null ? null : await viewOf(person, 'day')
  if (person === null || !day) return null
  const value = day.value as FieldDay
  const now = Date.now() + day.ahead
  const id = /^\/run\/([0-9a-f-]{36})$/.exec(path)?.[1]
  const tree = /^\/trees\/([0-9a-f-]{36})(\/examine)?$/.exec(path)?.[1]
  const job = id === undefined ? null : await viewOf(person, jobKey(id))
  // A job opens without reading a hundred trees first.
  const { waiting, one } = job ? NO_TREES : await examineHere(person, tree)
  return {
    day: { ...value, frame: { ...value.frame, now } },
    at: day.at,
    path,
    examine: one,
    waiting,
    evening: await eveningHere(person, value.evening),
    job: job && jobNow(unpack(job.value as Packed<Omit<JobView, 'now'>>), now),
  }
}

/** A job as it was kept, at this hour. */
function jobNow(view: Omit<JobView, 'now'>, now: number): JobView {
  return { ...view, now, today: dateIn(view.timeZone, new Date(now)) }
}

/**
 * The application without a network: the day’s work, the truck and every job that was fetched, under the addresses they always have. What
 * is pressed is kept here and goes out with the next signal.
 */
export function FieldShell() {
  const [kept, setKept] = useState<Kept | null | 'reading'>('reading')
  useEffect(() => {
    showLight()
    void readKept(window.location.pathname).then(setKept)
  }, [])
  if (kept === 'reading') return <p className="sr-only">Opening what is kept here</p>
  if (kept === null)
    return (
      <Doorway>
        <h1>No signal</h1>
        <p>
          Nothing of yours is kept on this device. Sign in once with a signal; the day’s work is then kept
          here.
        </p>
      </Doorway>
    )
  const { frame } = kept.day
  return (
    <MayProvider steps={frame.may}>
      <Frame person={frame.person} timeZone={frame.timeZone} strip={<Strip data={frame} />}>
        <Away since={`${shortDate(kept.at, frame.timeZone)} at ${clockTime(kept.at, frame.timeZone)}`} />
        <Screen kept={kept} />
      </Frame>
    </MayProvider>
  )
}

/** Trees that can be looked at without a signal, by site. */
function ToExamine({ waiting }: { waiting: readonly WaitingTree[] }) {
  if (waiting.length === 0) return null
  return (
    <section aria-labelledby="to-examine" className="mt-6">
      <h2 id="to-examine">To examine, kept here</h2>
      {[...grouped(waiting, (t) => t.site)].map(([site, trees]) => (
        <div key={site} className="mt-3">
          <h3>
            {site}, {counted(trees.length, 'tree')}
          </h3>
          <ul className="grid grid-cols-[repeat(auto-fill,minmax(150px,1fr))] gap-2 mt-1.5">
            {trees.map((t) => (
              <li key={t.id}>
                <ButtonLink href={`/trees/${t.id}/examine`} className="w-full">
                  {t.tag.toLowerCase().includes(t.kind.toLowerCase()) ? t.tag : `${t.tag} · ${t.kind}`}
                </ButtonLink>
              </li>
            ))}
          </ul>
        </div>
      ))}
    </section>
  )
}

/** So often it is looked whether there is a signal again, ms. */
const LOOK_MS = 15_000

/** Says that there is no signal and what is seen instead; and, once there is one, the way to the page as it stands. */
function Away({ since }: { since: string }) {
  const [back, setBack] = useState(false)
  useEffect(() => {
    if (back) return
    const look = () => {
      if (document.visibilityState !== 'visible') return
      fetch('/api/health', { cache: 'no-store' }).then(
        (answer) => setBack(answer.ok),
        () => {},
      )
    }
    const every = setInterval(look, LOOK_MS)
    window.addEventListener('online', look)
    return () => {
      clearInterval(every)
      window.removeEventListener('online', look)
    }
  }, [back])
  return (
    <p className="no-print text-small text-ink2 mb-2 min-h-[34px]" role="status">
      {back ? (
        <>
          There is a signal again.{' '}
          <button
            type="button"
            className="underline underline-offset-2 py-1"
            onClick={() => window.location.reload()}
          >
            Show the page as it stands now
          </button>
        </>
      ) : (
        `No signal. You see what was fetched ${since}; what you press is kept here.`
      )}
    </p>
  )
}

function Screen({ kept: { day, path, job, examine, waiting, evening } }: { kept: Kept }) {
  if (job) return <RunJobOf first={job} />
  if (examine) return <Examine view={examine} away />
  if (path === '/settings/device')
    return (
      <>
        <h1>This device</h1>
        <DeviceSettings />
      </>
    )
  if (path === '/run/load') return <LoadOut view={day.load} />
  if (path === '/run/evening') return <Evening view={evening} />
  const isList = path === '/' || path === '/run'
  const today = dateIn(day.frame.timeZone, new Date(day.frame.now))
  const here = day.list.jobs.filter((j) => day.jobs.some((k) => k.id === j.id))
  return (
    <>
      {!isList && (
        <>
          <h1>This page needs a signal</h1>
          <p className="mb-4">It opens as soon as there is one. The work of these days is kept here:</p>
        </>
      )}
      <div className="flex flex-wrap items-end justify-between gap-3">
        {isList ? <h1>{path === '/' ? 'Today' : 'Work for the crew'}</h1> : <h2>Work for the crew</h2>}
        <div className="flex gap-2">
          <ButtonLink href="/run/load">Load-out</ButtonLink>
          <ButtonLink href="/run/evening">Evening</ButtonLink>
        </div>
      </div>
      <JobLines jobs={path === '/' ? here.filter((j) => j.onDate <= today) : here} today={today} />
      <ToExamine waiting={waiting} />
    </>
  )
}
