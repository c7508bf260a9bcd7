'use client'
import { Dialog, DialogPanel, DialogTitle } from '@headlessui/react'
import { usePathname } from 'next/navigation'
import { Button } from '@/ui/pieces/Button'
import { Link } from '@/ui/pieces/Link'
import { GO_TO } from '@/ui/shell/keys'
import { pageOf } from './firstWeek'
import { EVERYWHERE, screenAt } from './screens'

/** What the screen one is on is for, its keys, and the keys that hold everywhere. */
export default function ScreenHelp({ onClose }: { onClose: () => void }) {
  const screen = screenAt(usePathname())
  const page = screen?.page ? pageOf(screen.page) : undefined
  return (
    <Dialog open onClose={onClose} className="relative z-50">
      <div className="fixed inset-0 bg-spine/50" aria-hidden="true" />
      <div className="fixed inset-0 flex items-center justify-center p-4">
        <DialogPanel className="bg-sheet border border-line p-5 w-full max-w-lg max-h-full overflow-y-auto">
          <DialogTitle className="text-lead">{screen?.name ?? 'Help'}</DialogTitle>
          {screen && <p className="mt-1">{screen.says}</p>}
          {screen?.keys && <Keys name="Keys here" keys={screen.keys} />}
          <Keys
            name="Keys everywhere"
            keys={[
              ...EVERYWHERE,
              [
                'g and a letter',
                `go: ${Object.entries(GO_TO)
                  .map(([k, v]) => `${k} ${v.text}`)
                  .join(', ')}`,
              ],
            ]}
          />
          <p className="mt-4">
            {page && (
              <>
                <Link href={`/help/${page.slug}`} onClick={onClose} className="underline underline-offset-2">
                  {page.title}
                </Link>
                {' · '}
              </>
            )}
            <Link href="/help" onClick={onClose} className="underline underline-offset-2">
              ten short pages for the first week
            </Link>
          </p>
          <Button className="mt-4" onClick={onClose}>
            Close
          </Button>
        </DialogPanel>
      </div>
    </Dialog>
  )
}

function Keys({ name, keys }: { name: string; keys: readonly (readonly [key: string, what: string])[] }) {
  return (
    <>
      <h3 className="font-bold mt-4">{name}</h3>
      <dl className="grid grid-cols-[auto_1fr] gap-x-5 gap-y-2 mt-1">
        {keys.map(([key, what]) => (
          <div key={key} className="contents">
            <dt className="font-bold whitespace-nowrap">{key}</dt>
            <dd className="text-ink2">{what}</dd>
          </div>
        ))}
      </dl>
    </>
  )
}
