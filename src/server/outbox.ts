import { randomUUID } from 'node:crypto'
import { mkdir, rename, writeFile } from 'node:fs/promises'
import path from 'node:path'
import { oneLine } from '@/core/text/oneLine'
import { serverEnvironment } from './environment'
import { log } from './log'

/** A message to one person. */
export interface Message {
  to: { name: string; address: string }
  subject: string
  /** Plain text, a line each. */
  text: string
}

/** A word in a header as everybody reads it: what is not plain is encoded, and nothing begins a line of its own. */
function header(text: string): string {
  const plain = oneLine(text)
  return /^[\x20-\x7e]*$/.test(plain) ? plain : `=?UTF-8?B?${Buffer.from(plain).toString('base64')}?=`
}

/** A message as mail carries it (RFC 5322), its text in base64 so that no line is too long and none begins with a point. */
export function asMail(message: Message, from: string, at: Date): string {
  const body = Buffer.from(message.text.replace(/\r?\n/g, '\r\n'))
    .toString('base64')
    .replace(/.{76}/g, '$&\r\n')
  return [
    `From: Elmhorn <${from}>`,
    `To: ${header(message.to.name)} <${message.to.address}>`,
    `Subject: ${header(message.subject)}`,
    `Date: ${at.toUTCString().replace('GMT', '+0000')}`,
    `Message-ID: <${randomUUID()}@elmhorn.invalid>`,
    'MIME-Version: 1.0',
    'Content-Type: text/plain; charset=utf-8',
    'Content-Transfer-Encoding: base64',
    '',
    body,
    '',
  ].join('\r\n')
}

/** Whether messages leave the house at all. */
export function canPost(): boolean {
  const { OUTBOX_DIR, SMTP_URL } = serverEnvironment()
  return OUTBOX_DIR !== undefined || SMTP_URL !== undefined
}

/** A mail server that does not answer is waited for so long, ms. */
const SMTP_MS = 15_000

async function bySmtp(url: string, from: string, message: Message): Promise<boolean> {
  const { createTransport } = await import('nodemailer')
  const mail = createTransport(url, {
    connectionTimeout: SMTP_MS,
    greetingTimeout: SMTP_MS,
    socketTimeout: SMTP_MS,
  } as never)
  try {
    await mail.sendMail({
      from: { name: 'Elmhorn', address: from },
      to: { name: oneLine(message.to.name), address: message.to.address },
      subject: oneLine(message.subject),
      text: message.text,
    })
    return true
  } catch (error) {
    log.error({ error: (error as Error).message }, 'A message was not taken by the mail server.')
    return false
  } finally {
    mail.close()
  }
}

/**
 * Sends a message: by the mail server of the house where one is named (`SMTP_URL`), else into the outbox, a folder from which the firm’s own mail
 * takes it (`OUTBOX_DIR`): a file each, whole or not there. Answers whether it was taken; what was not is said in the log and to whoever asked.
 */
export async function post(message: Message): Promise<boolean> {
  const { OUTBOX_DIR, SMTP_URL, MAIL_FROM } = serverEnvironment()
  if (SMTP_URL) return bySmtp(SMTP_URL, MAIL_FROM, message)
  if (!OUTBOX_DIR) return false
  const name = `${Date.now()}-${randomUUID()}`
  try {
    await mkdir(OUTBOX_DIR, { recursive: true, mode: 0o700 })
    const part = path.join(OUTBOX_DIR, `.${name}.part`)
    await writeFile(part, asMail(message, MAIL_FROM, new Date()), { mode: 0o600 })
    await rename(part, path.join(OUTBOX_DIR, `${name}.eml`))
    return true
  } catch (error) {
    log.error({ error: (error as Error).message }, 'A message could not be put into the outbox.')
    return false
  }
}
