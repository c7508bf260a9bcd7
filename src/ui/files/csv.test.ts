import { readCsv } from './csv'

test('cells between whatever the first line has, quoted or not', () => {
  expect(readCsv('﻿time,note\r\n8:00,"a, b"\r\n\r\n')).toEqual({
    ok: true,
    value: {
      lines: [
        ['time', 'note'],
        ['8:00', 'a, b'],
      ],
      commaInNumbers: false,
    },
  })
  expect(readCsv('time;wind\n8:00; 5,4 ')).toMatchObject({
    value: {
      lines: [
        ['time', 'wind'],
        ['8:00', '5,4'],
      ],
      commaInNumbers: true,
    },
  })
  expect(readCsv('time\twind\n8:00\t5')).toMatchObject({
    value: {
      lines: [
        ['time', 'wind'],
        ['8:00', '5'],
      ],
    },
  })
})

test('a quote that is not closed is said', () => {
  expect(readCsv('time,note\n8:00,"a')).toMatchObject({ ok: false, problem: { field: 'file' } })
})

test('a first line that goes on and on is said at once', () => {
  const began = performance.now()
  expect(readCsv(`time,${'wind,'.repeat(600_000)}`)).toMatchObject({
    problem: { field: 'file', message: expect.stringMatching(/longer than any line of names/) },
  })
  // Read as a table it took seconds.
  expect(performance.now() - began).toBeLessThan(1000)
})
