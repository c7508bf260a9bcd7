import { Asked } from '@/ui/form/Asked'

/** The other day and the reason for it, in a form that moves something. */
export function DayAndWhy() {
  return (
    <div className="flex flex-wrap items-start gap-2">
      <Asked at="onDate" />
      <div className="grow min-w-52">
        <Asked at="why" />
      </div>
    </div>
  )
}
