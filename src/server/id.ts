const UUID = /^[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}$/i

/** True for what can be an id in an address; anything else is not found, never an error. */
export function isId(text: string): boolean {
  return UUID.test(text)
}
