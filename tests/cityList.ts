/** A list of street trees as offices publish them, and what it comes to: made row by row beside its own count. */
export interface CityList {
  text: string
  /** Rows that say anything, the same row twice once. */
  rows: number
  refused: { missing: number; 'bad-quantity': number; 'out-of-range': number }
  /** Trees it brings. */
  trees: number
  /** Of names that nobody knows, with how many trees have each. */
  unknown: Record<string, number>
  /** All diameters together, inches; a tree of two stems counts as one trunk of as much wood. */
  inches: number
  formulas: number
}

const HEAD =
  'FACILITYID,SPP_BOT,SPP_COM,DBH (inches),Tree Ht (ft),Crown Spread,LATITUDE,LONGITUDE,Planting Date,Mgmt Zone,Condition,Remarks'
const KINDS = [
  ['Acer rubrum', 'Red Maple'],
  ['FRAXINUS PENNSYLVANICA', 'green ash'],
  ['Quercus rubra', 'Northern red oak'],
  ['Tilia cordata', 'Littleleaf Linden'],
  ['Phellodendron amurense', 'Amur cork tree'],
] as const
/** The same diameter as hands write it, in inches where no unit stands. */
const WRITTEN: readonly ((inches: number) => string)[] = [
  (d) => `${d}`,
  (d) => `${d}.0`,
  (d) => `${d} in`,
  (d) => `"${d}"""`,
  (d) => `${(d * 2.54).toFixed(2)} cm`,
  (d) => `${(d * 0.0254).toFixed(4)} m`,
  (d) => `${d} 1/2`,
]
const HALF = 6
const NOTES = [
  '',
  'Straße, beim Café',
  '=HYPERLINK("http://x.example","y")',
  '"two, then ""three"""',
  '+1 for the view',
]
const IS_FORMULA = /^[=+@-]/

/** Makes a list of so many lines beneath its head. `cityList(5000).trees` */
export function cityList(lines: number): CityList {
  const out: CityList = {
    text: '',
    rows: 0,
    refused: { missing: 0, 'bad-quantity': 0, 'out-of-range': 0 },
    trees: 0,
    unknown: {},
    inches: 0,
    formulas: 0,
  }
  const text = [HEAD]
  for (let i = 0; text.length <= lines; i++) {
    const [bot, com] = KINDS[i % 40 === 0 ? 4 : i % 4]!
    const inches = 3 + (i % 38)
    const way = i % WRITTEN.length
    const note = NOTES[i % NOTES.length]!
    const where = `${(42.3 + (i % 70) / 1000).toFixed(5)},${(-75.22 + Math.floor(i / 70) / 1000).toFixed(5)}`
    const row = (tag: string, dbh: string, more: { ht?: string; where?: string } = {}) =>
      `${tag},${bot},${com},${dbh},${more.ht ?? `${20 + (i % 60)}`},${10 + (i % 30)} ft,${more.where ?? where},${1960 + (i % 60)},Zone ${i % 9},Fair,${note.startsWith('"') || !note.includes(',') ? note : `"${note.replace(/"/g, '""')}"`}`
    const refuse = (why: keyof CityList['refused'], ...rows: string[]) => {
      text.push(...rows)
      out.rows += rows.length
      out.refused[why] += rows.length
    }
    switch (i % 97) {
      case 11:
        refuse('missing', row('', `${inches}`))
        break
      case 22:
        refuse('bad-quantity', row(`B-${i}`, 'see map'))
        break
      case 33:
        refuse('out-of-range', row(`B-${i}`, '9999'))
        break
      case 44:
        refuse('out-of-range', row(`B-${i}`, `${inches}`, { where: '0.0,0.0' }))
        break
      case 55:
        refuse('out-of-range', row(`B-${i}`, `${inches}`, { ht: '-12' }))
        break
      case 66:
        // One tag with two figures: nobody can say which is right.
        refuse('out-of-range', row(`D-${i}`, '10'), row(`D-${i}`, '11'))
        break
      case 77:
        text.push(',,,,,,,,,,,')
        break
      default: {
        const stems = i % 97 === 88
        text.push(row(`T-${i}`, stems ? `${inches} + 4` : WRITTEN[way]!(inches)))
        // As a copied block leaves it: the line stands there twice.
        if (i % 97 === 5) text.push(text.at(-1)!)
        out.rows++
        out.trees++
        out.inches += stems ? Math.hypot(inches, 4) : way === HALF ? inches + 0.5 : inches
        if (bot === KINDS[4][0]) out.unknown[bot] = (out.unknown[bot] ?? 0) + 1
        if (IS_FORMULA.test(note)) out.formulas++
      }
    }
  }
  return { ...out, text: `${text.join('\r\n')}\r\n` }
}
