import type { ReactNode } from 'react'
import { Ring } from '@/ui/ring/Ring'
import { Mark } from './Frame'

const SHOWN = [12, 88, 160, 232, 312].map((b) => ({
  kind: 'flare' as const,
  from: (b + 338) % 360,
  to: (b + 22) % 360,
  notedOn: '2026-06-12',
}))

/** A page that stands before the sign-in: the product at the left, what is asked at the right. */
export function Doorway({ children }: { children: ReactNode }) {
  return (
    <div className="min-h-dvh grid lg:grid-cols-[minmax(0,5fr)_minmax(0,6fr)]">
      <div className="bg-spine text-[#dfe8e1] hidden lg:block">
        <div className="sticky top-0 h-dvh flex flex-col justify-center px-12">
          <p className="flex items-center gap-3 font-head font-bold text-figure text-white">
            <Mark size={40} /> Elmhorn
          </p>
          <p className="mt-3 text-lead max-w-[30ch] leading-snug">
            From the first look at a tree to knowing whether the treatment worked.
          </p>
          <Ring marks={SHOWN} label="A trunk from above" labels={false} className="w-[300px] mt-6 -ml-6" />
        </div>
      </div>
      <main className="flex flex-col justify-center px-6 sm:px-14 py-10 max-w-[640px] w-full">
        <p className="lg:hidden flex items-center gap-2 font-head font-bold text-title mb-6">
          <Mark /> Elmhorn
        </p>
        {children}
      </main>
    </div>
  )
}
