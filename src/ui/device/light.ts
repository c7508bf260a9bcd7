/** How a screen is lit: as drawn, black on white for the sun, dark, or as the device is. */
export const LIGHTS = ['day', 'sunlight', 'dark', 'auto'] as const
export type Light = (typeof LIGHTS)[number]

const COOKIE = 'elmhorn-light'
const YEAR_S = 365 * 86_400

/** What is said of the light in a row of cookies, as the browser or a request has them; daylight where nothing is. */
export function lightIn(cookies: string): Light {
  const said = new RegExp(`(?:^|; )${COOKIE}=([a-z]+)`).exec(cookies)?.[1]
  return LIGHTS.find((l) => l === said) ?? 'day'
}

/** Shows this device’s light; a page that was kept without it has none yet. */
export function showLight(): Light {
  const light = lightIn(document.cookie)
  document.documentElement.dataset.light = light
  return light
}

/** Chooses the light of this device, for everybody who holds it. */
export function chooseLight(light: Light): void {
  document.cookie = `${COOKIE}=${light}; path=/; max-age=${YEAR_S}; samesite=lax`
  showLight()
}
