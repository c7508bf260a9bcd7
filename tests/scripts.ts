import { gzipSync } from 'node:zlib'

/** What of script a page has to fetch, kB gzip. */
export interface Scripts {
  /** Before it is shown and its frame answers. */
  first: number
  /** With the parts that stand on it and answer a moment later. */
  whole: number
}

const sizes = new Map<string, number>()

/**
 * How much script a page’s own words ask for: by tags of script, without those that only old browsers load, and by what is fetched beside
 * them for parts that come with the page. `fetched` answers a file by its path.
 */
export async function scriptsOf(
  html: string,
  fetched: (path: string) => Promise<Uint8Array>,
): Promise<Scripts> {
  const path = (tag: string, attribute: string) =>
    tag.match(new RegExp(`${attribute}="(/_next/static/[^"]+\\.js)`))?.[1]
  const tags = [...html.matchAll(/<(?:script|link)\b[^>]*>/gi)].map((m) => m[0])
  const first = new Set<string>()
  const whole = new Set<string>()
  for (const tag of tags) {
    const src = /^<script/i.test(tag) && !/\bnomodule\b/i.test(tag) && path(tag, 'src')
    if (src) first.add(src)
    const preloaded = /^<link/i.test(tag) && /\bas="script"/i.test(tag) && path(tag, 'href')
    if (preloaded || src) whole.add((preloaded || src) as string)
  }
  const kB = async (paths: ReadonlySet<string>) => {
    let bytes = 0
    for (const p of paths) {
      if (!sizes.has(p)) sizes.set(p, gzipSync(await fetched(p)).length)
      bytes += sizes.get(p)!
    }
    return bytes / 1000
  }
  return { first: await kB(first), whole: await kB(whole) }
}
