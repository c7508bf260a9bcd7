'use client'
import { useSyncExternalStore } from 'react'

/** By what a device calls, each switched by itself. */
export interface Alarms {
  vibrate: boolean
  sound: boolean
  /** As a notification, which some devices show on a locked screen. */
  notify: boolean
  /** Says aloud what calls. */
  speak: boolean
  /** Keeps the screen on while something is in a tree. */
  awake: boolean
}

const KEY = 'elmhorn-alarms'
const FIRST: Alarms = { vibrate: true, sound: true, notify: false, speak: false, awake: false }

const listeners = new Set<() => void>()
let known: { text: string | null; alarms: Alarms } | null = null

function read(): Alarms {
  let text: string | null = null
  try {
    text = localStorage.getItem(KEY)
  } catch {
    // A device that keeps nothing calls as it does at first.
  }
  if (known?.text === text && known) return known.alarms
  let said: Partial<Alarms> = {}
  try {
    said = text === null ? {} : (JSON.parse(text) as Partial<Alarms>)
  } catch {
    // What cannot be read was not said.
  }
  const alarms = { ...FIRST }
  for (const name of Object.keys(FIRST) as (keyof Alarms)[])
    if (typeof said?.[name] === 'boolean') alarms[name] = said[name]
  known = { text, alarms }
  return alarms
}

/** By what this device calls now. */
export function alarmsNow(): Alarms {
  return read()
}

/** Switches one way of calling on or off on this device. */
export function switchAlarm(name: keyof Alarms, on: boolean): void {
  try {
    localStorage.setItem(KEY, JSON.stringify({ ...read(), [name]: on }))
  } catch {
    // It holds until the page is left.
    known = { text: null, alarms: { ...read(), [name]: on } }
  }
  for (const listener of listeners) listener()
}

/** The same for drawing. */
export function useAlarms(): Alarms {
  return useSyncExternalStore(
    (changed) => {
      listeners.add(changed)
      return () => void listeners.delete(changed)
    },
    read,
    () => FIRST,
  )
}
