/** What an own entry's id says where the entry itself is not at hand; null for an id that is not own. */
export function ownName(id: string): string | null {
  if (!id.startsWith('own-')) return null
  const words = id.slice(4).replace(/-/g, ' ')
  return `${words.charAt(0).toUpperCase()}${words.slice(1)} (own)`
}
