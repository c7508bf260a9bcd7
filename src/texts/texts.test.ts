import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { METHODS } from '@/core/methods/names'
import { LANGUAGES, languageOf } from '@/core/texts/languages'
import { dayIn, languageAsked, MESSAGES, momentIn, textsOf } from './texts'

type Node = string | { [name: string]: Node }
const keys = (node: Node, at = ''): string[] =>
  typeof node === 'string' ? [at] : Object.entries(node).flatMap(([k, v]) => keys(v, at ? `${at}.${k}` : k))
const textAt = (node: Node, key: string): string =>
  key.split('.').reduce((n: Node, k) => (n as Record<string, Node>)[k]!, node) as string
/** What is filled into a sentence, by name. */
const holes = (text: string) => [...text.matchAll(/\{(\w+)[,}]/g)].map((m) => m[1]).sort()

const English = MESSAGES.en as unknown as Node

test.each(LANGUAGES.map(([l]) => l))(
  '%s has every sentence, none more, and fills in the same',
  (language) => {
    const own = MESSAGES[language] as unknown as Node
    expect(keys(own).sort()).toEqual(keys(English).sort())
    for (const key of keys(English)) {
      expect([key, ...new Set(holes(textAt(own, key)))]).toEqual([
        key,
        ...new Set(holes(textAt(English, key))),
      ])
      expect(textAt(own, key).trim()).not.toBe('')
    }
  },
)

test('no sentence of another language is the English one', () => {
  const alike = keys(English).filter(
    (k) => textAt(MESSAGES.es as unknown as Node, k) === textAt(English, k) && !/signed$/.test(k),
  )
  expect(alike).toEqual([])
})

test('every sentence is used, and none is asked for that is not there', () => {
  const files = readdirSync(path.join(__dirname, '..'), { recursive: true, encoding: 'utf8' })
    .filter((f) => /\.tsx?$/.test(f) && !/\.test\./.test(f))
    .map((f) => readFileSync(path.join(__dirname, '..', f), 'utf8'))
    .filter((text) => text.includes("'@/texts/texts'"))
  const asked = files.flatMap((text) =>
    [...text.matchAll(/const (\w+) = textsOf\([^,]+, '(\w+)'\)/g)].flatMap(([, name, part]) =>
      [...text.matchAll(new RegExp(`\\b${name}\\(\\s*[\`']([\\w.$\\{}-]+)[\`']`, 'g'))].map(
        (m) => `${part}.${m[1]}`,
      ),
    ),
  )
  const isAsked = (key: string) =>
    asked.some((a) =>
      a.includes('${') ? new RegExp(`^${a.replace(/\$\{[^}]*\}/g, '[^.]+')}$`).test(key) : a === key,
    )
  const names = keys(English)
  expect(names.filter((k) => !isAsked(k))).toEqual([])
  expect(asked.filter((a) => !a.includes('${') && !names.includes(a))).toEqual([])
  expect(asked.length).toBeGreaterThan(10)
})

test('every method has its word', () => {
  expect(Object.keys(MESSAGES.en.method).sort()).toEqual([...METHODS].sort())
})

test('numbers, days and hours are those of the language and of the place', () => {
  const t = textsOf('es', 'message')
  expect(t('day.text', { site: 'X', date: 'hoy', work: 'poda', trees: 1 })).toMatch(/1 árbol\.$/)
  expect(t('day.text', { site: 'X', date: 'hoy', work: 'poda', trees: 1200 })).toMatch(
    /1200 árboles\.$|1\.200 árboles\.$/,
  )
  expect(dayIn('es', '2026-06-12')).toBe('viernes, 12 de junio')
  expect(dayIn('en', '2026-06-12')).toBe('Friday, June 12')
  expect(momentIn('es', new Date('2026-06-12T20:30:00Z'), 'America/New_York')).toMatch(/16:30/)
})

test('the language is the first that there is a file for', () => {
  expect(languageOf('es-MX')).toBe('es')
  expect(languageOf('de')).toBe('en')
  expect(languageOf(null)).toBe('en')
  expect(languageAsked('de-DE, es;q=0.8, en;q=0.5')).toBe('es')
  expect(languageAsked('en;q=0.4, es;q=0.9')).toBe('es')
  expect(languageAsked(null)).toBe('en')
})
