import { placeCode, placeOfCode } from './placeCode'

const FIRM = '01a23618-d1ae-75f9-8c80-d140907e513b'
const SITE = '01a23618-d836-71d9-93f0-99c7098ce46f'

beforeAll(() => {
  process.env.SESSION_SECRET = 'a secret of more than thirty-two letters'
  process.env.LEDGER_KEY = 'ab'.repeat(32)
})

test('a code leads to its place, and is the same each time it is made', () => {
  expect(placeOfCode(placeCode(FIRM, SITE))).toEqual({ firmId: FIRM, siteId: SITE })
  expect(placeCode(FIRM, SITE)).toBe(placeCode(FIRM, SITE))
})

test('a code that was changed, cut or made up leads nowhere', () => {
  const code = placeCode(FIRM, SITE)
  const other = placeCode(FIRM, FIRM)
  expect(placeOfCode(code.slice(0, 43) + other.slice(43))).toBeNull()
  expect(placeOfCode(`${code.slice(0, 20)}${code[20] === 'A' ? 'B' : 'A'}${code.slice(21)}`)).toBeNull()
  expect(placeOfCode(code.slice(1))).toBeNull()
  expect(placeOfCode('constructor')).toBeNull()
})
