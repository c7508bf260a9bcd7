import { existsSync, readFileSync } from 'node:fs'
import path from 'node:path'
import { ADDRESSES, describedAddresses } from './addresses'

const route = (at: string) => path.join('src/app', at.replace('{id}', '[id]'), 'route.ts')

test.each(ADDRESSES.map((a) => [`${a.method} ${a.path}`, a] as const))('%s is answered', (_, a) => {
  expect(existsSync(route(a.path))).toBe(true)
  expect(readFileSync(route(a.path), 'utf8')).toMatch(new RegExp(`function ${a.method.toUpperCase()}\\b`))
})
test('each is described once, with what may be asked along', () => {
  const paths = describedAddresses()
  const ids = ADDRESSES.map((a) => a.id)
  expect(new Set(ids).size).toBe(ids.length)
  expect(Object.keys(paths['/api/v1/clients']!)).toEqual(['get', 'post'])
  expect(paths['/api/v1/trees']!['get']).toMatchObject({
    parameters: [{ name: 'site', required: true }, { name: 'after' }, { name: 'limit' }],
  })
})
