import { closePool } from '@/db/client'
import { environment } from '@/db/environment'
import { keyNames } from '../ledger/seal'
import { checkLedger } from '../ledger/check'
import { NotRestored, restoreFirm } from './restoreFirm'

const say = (line: string) => void process.stdout.write(`${line}\n`)

/** Puts the firm of an archive back and follows its ledger from end to end. */
async function main(file: string): Promise<void> {
  const { DATABASE_URL, DATABASE_OWNER_URL } = environment()
  const { firm, rows } = await restoreFirm(DATABASE_OWNER_URL ?? DATABASE_URL, file)
  say(`${firm.name} is put back: ${rows.toLocaleString('en-US')} lines.`)
  const trouble = await checkLedger(firm.id)
  say(
    trouble
      ? `Its ledger: ${trouble.words} If it was sealed with other keys than ${keyNames().join(', ')}, add them to LEDGER_KEY and check again.`
      : 'Its ledger is whole, and its seals are true.',
  )
  say('No passwords are in an archive: each person asks for a new one on the page for signing in.')
}

main(process.argv[2]!)
  .catch((error: Error) => {
    process.stderr.write(
      `${error instanceof NotRestored ? error.message : `It could not be put back: ${error.message}`}\n`,
    )
    process.exitCode = 1
  })
  .finally(closePool)
