import { readdirSync } from 'node:fs'
import path from 'node:path'
import { FIRST_WEEK, pageOf } from './firstWeek'
import { screenAt, SCREENS } from './screens'

const WORK = path.join(process.cwd(), 'src/app/(work)')

/** The addresses of all pages, with `*` for what names a thing. */
function pages(folder = WORK, at = ''): string[] {
  return readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory()
      ? pages(path.join(folder, entry.name), `${at}/${entry.name.replace(/^\[.*\]$/, '*')}`)
      : entry.name === 'page.tsx'
        ? [at === '' ? '/' : at]
        : [],
  )
}

test('every screen says what it is for, and nothing is said of one that is not there', () => {
  expect(SCREENS.map((s) => s.at).sort()).toEqual(pages().sort())
  for (const { at, says } of SCREENS) {
    expect([at, screenAt(at.replaceAll('*', 'x'))?.at]).toEqual([at, at])
    expect(says).toMatch(/^[A-Z].*\.$/)
    expect(says.length).toBeLessThan(240)
  }
  expect(screenAt('/nowhere')).toBeUndefined()
})

test('ten short pages, each with a thing to try that is there', () => {
  expect(FIRST_WEEK).toHaveLength(10)
  expect(new Set(FIRST_WEEK.map((p) => p.slug)).size).toBe(10)
  for (const page of FIRST_WEEK) {
    expect(page.text.join(' ').split(/\s+/).length).toBeLessThan(160)
    expect(screenAt(page.tryIt.href)).toBeDefined()
    expect(page.tryIt.words).toMatch(/\.$/)
  }
  for (const { page } of SCREENS) if (page !== undefined) expect(pageOf(page)).toBeDefined()
})
