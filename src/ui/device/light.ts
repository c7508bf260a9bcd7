/** How a screen is lit: as drawn, black on white for the sun, dark, or as the device is. */
export const LIGHTS = ['day', 'sunlight', 'dark', 'auto'] as const
export type Light = (typeof LIGHTS)[number]

export const LIGHT_COOKIE = 'elmhorn-light'

/** What is said of the light in a row of cookies, as the browser or a request has them; daylight where nothing is. */
export function lightIn(cookies: string): Light {
  const said = new RegExp(`(?:^|; )${LIGHT_COOKIE}=([a-z]+)`).exec(cookies)?.[1]
  return LIGHTS.find((l) => l === said) ?? 'day'
}

/** Shows this device’s light; a page that was kept without it has none yet. */
export function showLight(): void {
  document.documentElement.dataset.light = lightIn(document.cookie)
}
