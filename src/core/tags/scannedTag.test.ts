import { codeIn, scannedTag } from './scannedTag'
import { tagCode } from './tagCode'

const ash14 = { treeId: '01900000-0000-7000-8000-0000000000ff', tag: 'Ash 14' }
const ash15 = { treeId: '01900000-0000-7000-8000-0000000001a5', tag: 'Ash 15' }
const on = (tree: { treeId: string }) => `https://trees.example.org/t/${tagCode(tree.treeId)}`
const read = (text: string) => scannedTag(text, ash14, [ash14, ash15])

test('the tag of the tree that is meant, as an address, in small letters or alone', () => {
  for (const text of [on(ash14), `${on(ash14)}/`, on(ash14).toLowerCase(), tagCode(ash14.treeId)])
    expect(read(text)).toEqual({ is: 'meant' })
})

test('the tag of another tree of the job is named, never taken for the one that is meant', () => {
  expect(read(on(ash15))).toEqual({ is: 'another', tree: ash15 })
})

test('what is no tag, or one of nobody here, is neither', () => {
  for (const text of [
    '',
    'https://elsewhere.example/000000007',
    'Ash 14',
    on({ treeId: '01900000-0000-7000-8000-00000000beef' }),
  ])
    expect(read(text)).toEqual({ is: 'unknown' })
  expect(codeIn('https://trees.example.org/t/00000000UZ')).toBeNull()
})
