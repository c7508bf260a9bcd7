import { hostName } from '@/almanac/hosts'
import { UNKNOWN_KIND } from '@/almanac/unknownKind'
import { ok, refuse, type Result } from '@/core/problem'
import { LABEL_SHEETS, labelsOn, readUsed, type LabelSheet } from '@/core/tags/labelSheets'
import { tagCode } from '@/core/tags/tagCode'
import { byTag } from '@/core/text/byTag'
import { inFirm } from '@/db/client'
import type { PersonRow } from '@/db/queries/person'
import { siteById } from '@/db/queries/site'
import { treesForTags } from '@/db/queries/tag'
import { serverEnvironment } from '../environment'
import { heavy } from '../heavy/pool'

/** As many tags are printed at once. */
const MOST_TAGS = 2000
/** What the letters of every PDF reader can write. */
const PRINTABLE = /^[\x20-\x7e\u00a0-\u00ff€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]*$/

export interface TagsAsked {
  siteId: string
  block: string | null
  sheet: LabelSheet
  /** Labels of the first sheet that are used already. */
  skip: number
  /** Where this app is, as the camera is to find it. */
  origin: string
}

/** What is asked in the address: `size`, `skip` and `block`. */
export function tagsAsked(query: URLSearchParams): Result<Pick<TagsAsked, 'block' | 'sheet' | 'skip'>> {
  const size = query.get('size') ?? LABEL_SHEETS[0]!.id
  const sheet = LABEL_SHEETS.find((s) => s.id === size)
  if (!sheet) return refuse('unknown', 'size', `size is one of ${LABEL_SHEETS.map((s) => s.id).join(', ')}.`)
  const skip = query.get('skip') || '0'
  const used = readUsed(sheet, skip)
  if (used === null)
    return refuse(
      'out-of-range',
      'skip',
      `Labels used already are a whole number from 0 to ${labelsOn(sheet) - 1}.`,
    )
  return ok({ block: query.get('block') || null, sheet, skip: used })
}

/**
 * Tags of a site's standing trees as a PDF. Problems: `unknown` for a site that is not there or where nothing stands; `out-of-range` for more trees
 * than are printed at once; `bad-quantity` for a tag in letters that are not printed.
 */
export async function makeTags(person: PersonRow, asked: TagsAsked): Promise<Result<Uint8Array>> {
  const found = await inFirm(person.firmId, async (sql) => {
    const site = await siteById(sql, asked.siteId)
    return site && { site, trees: await treesForTags(sql, site.id, asked.block, MOST_TAGS + 1) }
  })
  if (!found) return refuse('unknown', 'site', 'There is no such site; /api/v1/sites lists them.')
  const { site, trees } = found
  if (trees.length === 0)
    return refuse('missing', 'block', 'No tree stands there whose tag could be printed.')
  if (trees.length > MOST_TAGS)
    return refuse(
      'out-of-range',
      'block',
      `More than ${MOST_TAGS.toLocaleString('en-US')} trees stand there; print them by block.`,
    )
  const odd = trees.find((t) => !PRINTABLE.test(t.tag))
  if (odd)
    return refuse(
      'bad-quantity',
      'tag',
      `The tag “${odd.tag}” has letters that cannot be printed; rename it in Latin letters, or print the others by block.`,
    )
  const base = serverEnvironment().PUBLIC_URL ?? asked.origin
  return ok(
    await heavy('tag-sheet', person.firmId, {
      sheet: asked.sheet,
      skip: asked.skip,
      tags: trees.sort(byTag).map((t) => ({
        tag: t.tag,
        address: `${base}/t/${tagCode(t.id)}`,
        kind: plain(t.host === UNKNOWN_KIND ? (t.listedAs ?? '') : hostName(t.host)),
        place: plain(site.name),
      })),
    }),
  )
}

/** Small words beside the tag, with letters that cannot be printed left out. */
const plain = (text: string) => [...text.normalize('NFC')].filter((sign) => PRINTABLE.test(sign)).join('')
