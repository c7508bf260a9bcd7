'use client'
import { Asked } from '@/ui/form/Asked'
import { Spot } from '@/ui/form/Spot'

/** What is typed of a site: where it is, how one gets in, what every tree there shows. */
export function SiteFields() {
  return (
    <>
      <div className="grid sm:grid-cols-2 gap-3">
        <Asked at="name" autoFocus />
        <Asked at="address" />
      </div>
      <div>
        <p className="text-ink2 mb-2">
          Where it lies, for its own weather and for trees with coordinates. Empty: the weather of your town.
        </p>
        <Spot />
      </div>
      <div className="grid sm:grid-cols-2 gap-3">
        <Asked at="access" />
        <Asked at="gateCode" />
        <Asked at="water" />
        <Asked at="contactOnDay" />
        <Asked at="district" />
      </div>
      <Asked at="note" rows={2} />
    </>
  )
}

/** A site of which nothing is told yet. */
export const NO_SITE = {
  name: '',
  address: '',
  latitude: '',
  longitude: '',
  access: '',
  gateCode: '',
  water: '',
  contactOnDay: '',
  district: '',
  note: '',
}
