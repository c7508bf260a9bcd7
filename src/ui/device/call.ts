'use client'
import { alarmsNow } from './alarms'

/** Two short tones, without a file. */
function beep(): void {
  const AudioKind = window.AudioContext
  if (!AudioKind) return
  const audio = new AudioKind()
  for (const at of [0, 0.35]) {
    const tone = audio.createOscillator()
    const loud = audio.createGain()
    tone.frequency.value = 880
    loud.gain.setValueAtTime(0.25, audio.currentTime + at)
    loud.gain.exponentialRampToValueAtTime(0.001, audio.currentTime + at + 0.3)
    tone.connect(loud).connect(audio.destination)
    tone.start(audio.currentTime + at)
    tone.stop(audio.currentTime + at + 0.3)
  }
  setTimeout(() => void audio.close(), 1000)
}

async function notify(words: string): Promise<void> {
  if (!('Notification' in window) || Notification.permission !== 'granted') return
  const worker = await navigator.serviceWorker?.getRegistration().catch(() => undefined)
  // On a phone only the worker may show one.
  if (worker) await worker.showNotification('Elmhorn', { body: words, tag: words })
  else new Notification('Elmhorn', { body: words, tag: words })
}

/** Says words aloud, where that is switched on. */
function sayAloud(words: string): void {
  if (!alarmsNow().speak || !('speechSynthesis' in window)) return
  const said = new SpeechSynthesisUtterance(words)
  said.lang = document.documentElement.lang
  window.speechSynthesis.speak(said)
}

/** Calls whoever holds the device, by all that is switched on; what a device has not, or does not allow, is left out. */
export function call(words: string): void {
  const on = alarmsNow()
  const each: (() => unknown)[] = [
    () => on.vibrate && navigator.vibrate?.([200, 100, 200]),
    () => on.sound && beep(),
    () => on.notify && void notify(words).catch(() => {}),
    () => sayAloud(words),
  ]
  for (const act of each)
    try {
      act()
    } catch {
      // The others still call.
    }
}
