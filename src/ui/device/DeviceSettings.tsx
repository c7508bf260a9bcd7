'use client'
import { useEffect, useState } from 'react'
import { unpack, type Packed } from '@/core/packed'
import { viewOf, viewsOf } from '@/ui/field/deviceStore'
import { TREES_KEY } from '@/ui/field/fetchJob'
import { NEARLY_FULL } from '@/ui/field/fetchDay'
import { isIn } from '@/core/methods/running'
import { jobsHere } from '@/ui/field/jobsHere'
import { outboxPerson, useOutbox } from '@/ui/field/outbox'
import { takeVersion, useVersionWaits } from '@/ui/field/registerWorker'
import { Ticks } from '@/ui/fields/Ticks'
import { Toggle } from '@/ui/fields/Toggle'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { Terms } from '@/ui/pieces/Terms'
import { alarmsNow, switchAlarm, useAlarms, type Alarms } from './alarms'
import { call } from './call'
import { chooseLight, useLight } from './useLight'

const MB = 1e6

/** What is of this device alone: its light, by what it calls, what is kept on it, and its version. */
export function DeviceSettings() {
  return (
    <div className="grid gap-7 max-w-xl mt-4">
      <LightChoice />
      <AlarmChoice />
      <KeptHere />
      <Version />
    </div>
  )
}

function LightChoice() {
  return (
    <section>
      <h2 className="mb-1.5">Light</h2>
      <Toggle
        label="How this screen is lit"
        hideLabel
        options={[
          ['day', 'Day'],
          ['sunlight', 'Full sun'],
          ['dark', 'Dark'],
          ['auto', 'As the device'],
        ]}
        value={useLight()}
        onChange={chooseLight}
      />
    </section>
  )
}

const CALLS: readonly (readonly [keyof Alarms, string])[] = [
  ['vibrate', 'Vibrate'],
  ['sound', 'Sound'],
  ['notify', 'A notification'],
  ['speak', 'Read aloud what calls'],
  ['awake', 'Keep the screen on while something is in a tree'],
]

function AlarmChoice() {
  const alarms = useAlarms()
  const [refused, setRefused] = useState<string | null>(null)
  async function change(chosen: (keyof Alarms)[]) {
    setRefused(null)
    for (const [name] of CALLS) {
      const on = chosen.includes(name)
      if (on === alarmsNow()[name]) continue
      if (name === 'notify' && on && !(await mayNotify()))
        setRefused(
          'This device does not let Elmhorn show notifications. Allow them in its settings, or leave this off.',
        )
      else switchAlarm(name, on)
    }
  }
  return (
    <section>
      <h2>Alarms</h2>
      <p className="text-ink2 mb-1.5">
        When a port is to be looked at, when one is overdue, and when the weather closes the work, while its
        job is open on this device.
      </p>
      <Ticks
        legend="How it calls"
        className="grid"
        options={CALLS}
        chosen={CALLS.map(([name]) => name).filter((name) => alarms[name])}
        onChosen={(chosen) => void change(chosen)}
        problem={refused}
      />
      <Button className="mt-2" onClick={() => call('This is how this device calls.')}>
        Let it call once
      </Button>
      <Note className="mt-3">
        With the screen locked most phones put a page to sleep, and it calls when it is opened again. Keep the
        screen on while something is in a tree, or look at the time yourself.
      </Note>
    </section>
  )
}

async function mayNotify(): Promise<boolean> {
  if (!('Notification' in window)) return false
  return (await Notification.requestPermission()) === 'granted'
}

function KeptHere() {
  const { waiting, refused } = useOutbox()
  const [kept, setKept] = useState<{
    jobs: number
    trees: number
    used: number | null
    of: number | null
    safe: boolean
  } | null>(null)
  useEffect(() => {
    void (async () => {
      const person = outboxPerson()
      const [jobs, waiting, room, safe] = await Promise.all([
        person === null ? [] : viewsOf(person, 'job '),
        person === null ? null : viewOf(person, TREES_KEY),
        navigator.storage?.estimate?.().catch(() => null) ?? null,
        navigator.storage?.persisted?.().catch(() => false) ?? false,
      ])
      setKept({
        jobs: jobs.length,
        trees: waiting ? unpack(waiting.value as Packed<{ trees: unknown[] }>).trees.length : 0,
        used: room?.usage ?? null,
        of: room?.quota ?? null,
        safe,
      })
    })()
  }, [waiting])
  if (!kept) return null
  const full = kept.used !== null && kept.of !== null && kept.used > NEARLY_FULL * kept.of
  const room =
    kept.used === null || kept.of === null
      ? 'This device does not say.'
      : `${(kept.used / MB).toFixed(1)} MB of ${Math.round(kept.of / MB).toLocaleString('en-US')} MB`
  return (
    <section>
      <h2 className="mb-1.5">Kept on this device</h2>
      <Terms
        lines={[
          ['Jobs that open without a signal', String(kept.jobs)],
          ['Trees to examine that open without a signal', String(kept.trees)],
          ['Presses not sent yet', String(waiting.length)],
          ['Presses that need you', String(refused.length)],
          ['Room used', room],
          [
            'When room runs short',
            kept.safe
              ? 'what is kept stays'
              : 'the browser may empty it; send before you put the device away',
          ],
        ]}
      />
      {full && (
        <Note says="stop" className="mt-2">
          This device is nearly full. Presses and photographs of work are kept first; trees to examine are no
          longer fetched. Make room on it, or send what waits.
        </Note>
      )}
    </section>
  )
}

function Version() {
  const waits = useVersionWaits()
  const [held, setHeld] = useState<string | null>(null)
  if (!waits) return null
  async function take() {
    const person = outboxPerson()
    const here = person === null ? [] : await jobsHere(person)
    const running = here.flatMap((j) => j.trees).filter((t) => t.status === 'open' && t.states.some(isIn))
    if (running.length > 0)
      setHeld(
        `Ports are still in ${running.map((t) => t.tag).join(', ')}. The new version waits until they are out.`,
      )
    else takeVersion()
  }
  return (
    <section>
      <h2 className="mb-1.5">A new version waits</h2>
      <p className="mb-2">It takes over when nothing is in a tree. What is kept on this device stays.</p>
      <Button onClick={() => void take()}>Take the new version</Button>
      {held && (
        <Note says="stop" role="alert" className="mt-2">
          {held}
        </Note>
      )}
    </section>
  )
}
