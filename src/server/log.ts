import pino from 'pino'

/** Logs what went wrong on the server. Never what people typed, never passwords. */
export const log = pino({ level: process.env.LOG_LEVEL ?? 'warn' })
