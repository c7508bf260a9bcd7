/** Words as a sentence begins. `capital('partly done')` is 'Partly done' */
export function capital(text: string): string {
  return text.charAt(0).toUpperCase() + text.slice(1)
}
