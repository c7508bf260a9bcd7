import { readFile } from './readFile'

const utf8 = (text: string) => new TextEncoder().encode(text)
const utf16 = (text: string, mark: boolean) => {
  const out = Buffer.from(text, 'utf16le')
  return new Uint8Array(mark ? Buffer.concat([Buffer.from([0xff, 0xfe]), out]) : out)
}
const good = (bytes: Uint8Array, kind: 'csv' | 'geojson' = 'csv') => {
  const r = readFile(bytes, kind)
  if (!r.ok) throw new Error(r.problem.message)
  return r.value
}
const bad = (bytes: Uint8Array, kind: 'csv' | 'geojson' = 'csv') => {
  const began = performance.now()
  const r = readFile(bytes, kind)
  return { problem: r.ok ? null : r.problem, ms: performance.now() - began }
}

describe('a table', () => {
  const TEXT = 'tag,note\nA,Göttingen’s oak\n'
  test('is read in four encodings', () => {
    const win = new Uint8Array(Buffer.from('tag,note\nA,G\xf6ttingen\x92s oak\n', 'latin1'))
    for (const [bytes, encoding] of [
      [utf8(TEXT), 'UTF-8'],
      [utf8(`\ufeff${TEXT}`), 'UTF-8'],
      [utf16(TEXT, true), 'UTF-16'],
      [utf16(TEXT.repeat(40), false), 'UTF-16'],
      [win, 'Windows-1252'],
    ] as const) {
      const r = good(bytes)
      expect([r.encoding, r.list.headers, r.list.rows[0]!.cells]).toEqual([
        encoding,
        ['tag', 'note'],
        ['A', 'Göttingen’s oak'],
      ])
    }
  })
  test('is parted by commas, semicolons or tabs', () => {
    expect(['a,b\n1,2', 'a;b\n1;2', 'a\tb\n1\t2'].map((t) => good(utf8(t)).parted)).toEqual([
      'commas',
      'semicolons',
      'tabs',
    ])
  })
  test('tells the line each row begins on, over quoted line ends and empty lines', () => {
    const r = good(utf8('tag,note\r\nA,one\r\n\r\nB,"two\r\nlines"\r\nC,three\r\n'))
    expect(r.list.rows.map((x) => [x.cells[0], x.line])).toEqual([
      ['A', 2],
      ['', 3],
      ['B', 4],
      ['C', 6],
    ])
  })
  test('names columns without a name and those of one name', () => {
    expect(good(utf8('tag,,dbh,dbh\nA,1,2,3')).list.headers).toEqual(['tag', 'column 2', 'dbh', 'dbh (2)'])
  })
})

describe('what is no list', () => {
  test('is told in a sentence, at once', () => {
    const png = new Uint8Array([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, ...new Uint8Array(2000)])
    const noise = Uint8Array.from({ length: 4000 }, (_, i) => (i * 31 + 7) % 256)
    for (const bytes of [
      new Uint8Array(40_000_000).fill(0x61),
      new Uint8Array(8_000_000).fill(0x22),
      utf8(`tag,dbh\n"${'x,'.repeat(4_000_000)}`),
      png,
      noise,
      new Uint8Array(0),
    ]) {
      const { problem, ms } = bad(bytes)
      expect(problem?.message).toMatch(/^[A-Z].{15,}[.?]$/)
      expect(ms).toBeLessThan(3000)
    }
  })
})

describe('features', () => {
  const point = (properties: object, coordinates: unknown = [-75.2, 42.31]) => ({
    type: 'Feature',
    geometry: { type: 'Point', coordinates },
    properties,
  })
  test('are rows with their point', () => {
    const r = good(
      utf8(
        JSON.stringify({
          type: 'FeatureCollection',
          features: [point({ tag: 'A', dbh: 12 }), point({ tag: 'B' })],
        }),
      ),
      'geojson',
    )
    expect(r.list.headers).toEqual(['tag', 'dbh', 'longitude', 'latitude'])
    expect(r.list.rows.map((x) => x.cells)).toEqual([
      ['A', '12', '-75.2', '42.31'],
      ['B', '', '-75.2', '42.31'],
    ])
  })
  test('of another kind, and what is no collection, are told', () => {
    const r = good(
      utf8(
        JSON.stringify({
          type: 'FeatureCollection',
          features: [
            point({ tag: 'A' }, 'here'),
            null,
            { type: 'Feature', geometry: null, properties: { tag: 'C' } },
          ],
        }),
      ),
      'geojson',
    )
    expect(r.list.rows.map((x) => x.cells.slice(1))).toEqual([
      ['no point', 'no point'],
      ['', ''],
      ['', ''],
    ])
    for (const text of ['{', '[]', '{"type":"Feature"}', 'null'])
      expect(bad(utf8(text), 'geojson').problem?.message).toMatch(/\.$/)
  })
})
