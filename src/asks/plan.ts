import { z } from 'zod'
import { OUTLINE, OUTLINE_KINDS } from '@/core/place/outlineKinds'
import { choice, number, orNothing, said, tick } from './field'
import { id, line, typed, version } from './text'

/** An outline as it is drawn: what it is, what it is called, and the distance that is kept from it, typed. */
const outlineFields = {
  kind: choice(
    'What it is',
    OUTLINE_KINDS.map((kind) => [kind, OUTLINE[kind].name] as const),
  ),
  name: orNothing(line('Name', 60)),
  setback: orNothing(
    typed('Distance kept from it', 40).register(said, {
      label: 'Distance kept from it',
      input: 'line',
      placeholder: '100 ft',
    }),
  ),
  /** As GeoJSON writes it, in metres east and north of the plan’s corner. */
  geometry: z.strictObject(
    {
      type: z.string({ error: 'Draw it on the plan.' }).max(20),
      coordinates: z.unknown(),
    },
    { error: 'Draw it on the plan.' },
  ),
}

/** Outlines that are drawn on a plan, by hand or from a file. */
export const drawOutlinesAsks = z.strictObject({
  siteId: id('siteId'),
  outlines: z
    .array(z.strictObject({ id: id(), ...outlineFields }))
    .min(1, { error: 'Draw an outline first.' })
    .max(200, { error: 'More than 200 outlines at once; draw fewer.' }),
})

/** One outline as its form asks for it. */
export const outlineAsks = z.strictObject({ id: id(), ...outlineFields })

/** An outline as it is changed, unless somebody changed it since. */
export const changeOutlineAsks = z.strictObject({
  outlineId: id('outlineId'),
  version: version(),
  ...outlineFields,
})

/** An outline that is taken from the plan. */
export const takeOutlineAsks = z.strictObject({ outlineId: id('outlineId'), version: version() })

/** That all water and wells near the trees are on the plan, or that nobody says so any more. */
export const sayWaterAsks = z.strictObject({
  siteId: id('siteId'),
  said: tick('All water and wells are on the plan'),
})

/** How a picture lies under the plan: its middle, metres a pixel, turned clockwise by so many degrees. */
export const placePictureAsks = z.strictObject({
  siteId: id('siteId'),
  lies: z
    .strictObject({
      id: id('pictureId'),
      eastM: number('East of the corner', { least: -10_000, most: 10_000, unit: 'm' }),
      northM: number('North of the corner', { least: -10_000, most: 10_000, unit: 'm' }),
      metresPerPixel: number('Metres a pixel', { least: 0.001, most: 50 }),
      turned: number('Turned', { least: -360, most: 360, unit: '°' }),
    })
    .nullable(),
})
