import { createServer, type IncomingMessage, type Server, type ServerResponse } from 'node:http'
import { madeHour, ORDERS, type MadeHour, type Order, type OrderKind } from './climate'

const HOUR = 3_600_000
/** Hours of one answer; about thirteen months. */
const MOST_HOURS = 24 * 400
/** A forecast looks so far ahead. */
const AHEAD_HOURS = 24 * 10

const KEYS = ['temperature', 'wind', 'gust', 'windFrom', 'rain', 'cloud', 'humidity', 'chance'] as const

/** What an answer says: columns of hours that follow one another from `from` on. Units are those of docs/WEATHER.md. */
export interface HoursAnswer {
  place: { latitude: number; longitude: number }
  from: string
  /** Hours before this are measured, the others forecast. */
  measuredUntil: string
  hours: Record<(typeof KEYS)[number], (number | null)[]>
  madeUp: true
}

class Refused extends Error {
  constructor(
    readonly field: string,
    message: string,
  ) {
    super(message)
  }
}

function numberOf(url: URL, field: string, least: number, most: number): number {
  const text = url.searchParams.get(field)
  const value = Number(text)
  if (text === null || text.trim() === '' || !(value >= least && value <= most))
    throw new Refused(field, `${field} must be a number from ${least} to ${most}.`)
  return value
}

function hourOf(url: URL, field: string, otherwise?: number): number {
  const text = url.searchParams.get(field)
  if (text === null && otherwise !== undefined) return otherwise
  const at = Date.parse(text ?? '')
  if (Number.isNaN(at)) throw new Refused(field, `${field} must be an instant such as 2026-06-12T00:00:00Z.`)
  return Math.floor(at / HOUR)
}

/** The answer to one question about hours. Hours past the forecast’s end are left out. */
export function answerHours(url: URL, orders: readonly Order[]): HoursAnswer {
  const latitude = numberOf(url, 'latitude', -90, 90)
  const longitude = numberOf(url, 'longitude', -180, 180)
  const at = hourOf(url, 'at', Math.floor(Date.now() / HOUR))
  const from = hourOf(url, 'from')
  const to = Math.min(hourOf(url, 'to'), at + AHEAD_HOURS)
  if (to - from > MOST_HOURS)
    throw new Refused('to', `At most ${MOST_HOURS} hours are answered at once; ask for fewer.`)
  const hours = Array.from({ length: Math.max(0, to - from) }, (_, i) =>
    madeHour({ latitude, longitude }, from + i, orders, at),
  )
  const column = (key: (typeof KEYS)[number]) =>
    hours.map((h: MadeHour) => (key === 'rain' ? Math.round(h.rain * 10_000) / 10 : h[key]))
  return {
    place: { latitude, longitude },
    from: new Date(from * HOUR).toISOString(),
    measuredUntil: new Date(at * HOUR).toISOString(),
    hours: Object.fromEntries(KEYS.map((k) => [k, column(k)])) as HoursAnswer['hours'],
    madeUp: true,
  }
}

function readOrder(body: unknown): Order {
  const { date, kind } = (body ?? {}) as Record<string, unknown>
  if (typeof date !== 'string' || !/^(\d{4}-)?\d{2}-\d{2}$/.test(date))
    throw new Refused('date', 'date must be a day such as 2026-06-15, or 06-15 of every year.')
  if (!ORDERS.includes(kind as OrderKind))
    throw new Refused('kind', `kind must be one of ${ORDERS.join(', ')}.`)
  return { date, kind: kind as OrderKind }
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  let text = ''
  for await (const part of request) {
    text += String(part)
    if (text.length > 10_000) throw new Refused('body', 'The body is too long.')
  }
  try {
    return JSON.parse(text)
  } catch {
    throw new Refused('body', 'The body must be JSON.')
  }
}

/**
 * The weather stand-in as an HTTP server, not listening yet. `GET /v1/hours` answers hours of any place, past and ten days ahead; `POST /v1/orders` orders a day.
 * See docs/WEATHER.md.
 */
export function weatherServer(ordered: readonly Order[] = []): Server {
  const orders = [...ordered]
  const answer = async (request: IncomingMessage, response: ServerResponse) => {
    const say = (status: number, body: unknown) => {
      response.writeHead(status, { 'content-type': 'application/json' })
      response.end(JSON.stringify(body))
    }
    try {
      const url = new URL(request.url ?? '/', 'http://weather')
      const asked = `${request.method} ${url.pathname}`
      if (asked === 'GET /v1/hours') return say(200, answerHours(url, orders))
      if (asked === 'GET /v1/orders') return say(200, { orders })
      if (asked === 'POST /v1/orders') {
        orders.unshift(readOrder(await bodyOf(request)))
        return say(200, { orders })
      }
      say(404, {
        error: { field: 'request', message: 'There is GET /v1/hours, GET /v1/orders and POST /v1/orders.' },
      })
    } catch (error) {
      if (error instanceof Refused) return say(400, { error: { field: error.field, message: error.message } })
      say(500, { error: { field: 'service', message: 'The service failed.' } })
    }
  }
  return createServer((request, response) => void answer(request, response))
}
