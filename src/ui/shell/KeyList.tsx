'use client'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { GO_TO } from './keys'
import { Button } from '@/ui/pieces/Button'

const KEYS: [string, string][] = [
  ['/', 'find a tree or a place'],
  [
    'g and a letter',
    `go: ${Object.entries(GO_TO)
      .map(([k, v]) => `${k} ${v.text}`)
      .join(', ')}`,
  ],
  ['n', 'new here, such as a new tree on a site'],
  ['j, k, Enter', 'move down and up a list, open'],
  ['1, 2, 3, 4', 'set a finding: there, not there, unsure, not looked at'],
  ['[ and ]', 'previous and next tree of the site'],
  ['c', 'while examining: copy what the site shares'],
  ['w', 'open or close the working'],
  ['arrows', 'move the chosen mark or port on the ring by a degree; with Shift by five'],
  ['?', 'this list'],
]

/** The keys, as a list. */
export default function KeyList({ onClose }: { onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-spine/50" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="bg-sheet border border-line p-5 w-full max-w-lg">
          <DialogTitle className="text-lead mb-3">Keys</DialogTitle>
          <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2">
            {KEYS.map(([key, what]) => (
              <div key={key} className="contents">
                <dt className="font-bold whitespace-nowrap">{key}</dt>
                <dd className="text-ink2">{what}</dd>
              </div>
            ))}
          </dl>
          <Button className="mt-4" onClick={onClose}>
            Close
          </Button>
        </DialogPanel>
      </div>
    </Dialog>
  )
}
