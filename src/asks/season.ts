import { z } from 'zod'
import { saying, said } from './field'
import { latitude, longitude } from './house'
import { accepted, day, id, line, typed } from './text'

const spot = z.strictObject({
  latitude: saying(latitude(), { label: 'Latitude, such as 42.31', help: undefined, unit: undefined }),
  longitude: saying(longitude(), { label: 'Longitude, such as 75.22 W', help: undefined, unit: undefined }),
})

/** Where a site lies on the globe. Nothing: it has the weather of the firm’s town. */
export const placeSiteAsks = z.strictObject({ siteId: id('siteId'), spot: spot.nullable() })
/** The same as its form asks for it. */
export const siteSpotAsks = z.strictObject({ spot })

/** A stage that was seen on the ground. */
export const seeStageAsks = z.strictObject({
  id: id(),
  siteId: id('siteId'),
  kind: line('What was seen', 60).register(said, { label: 'Seen on the ground', input: 'choice' }),
  stage: line('Stage', 60).register(said, { label: 'Stage', input: 'choice' }),
  on: saying(day(), { label: 'Seen on' }),
})

/** The weather as it is read at a site, in the person’s units. */
export const readWeatherAsks = z.strictObject({
  id: id(),
  siteId: id('siteId'),
  temperature: saying(typed('Temperature'), { input: 'number' }),
  wind: saying(typed('Wind'), { input: 'number' }),
  accepted: accepted(),
})
