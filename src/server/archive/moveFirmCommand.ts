import { closePool } from '@/db/client'
import { moveFirm, NotMoved } from './moveFirm'
import { NotRestored } from './restoreFirm'

const [firmId, to] = process.argv.slice(2)

moveFirm(firmId!, to!)
  .then(({ from, rows, cleared }) => {
    process.stdout.write(
      from === to
        ? `It stays in ${to}, and is written again.\n`
        : `Moved from ${from} to ${to}: ${rows.toLocaleString('en-US')} lines.\n`,
    )
    if (!cleared)
      process.stdout.write(
        `What is left of it in ${from} could not be taken away: the owner of the tables needs “grant set on parameter session_replication_role”. Nothing reaches it.\n`,
      )
  })
  .catch((error: Error) => {
    const known = error instanceof NotMoved || error instanceof NotRestored
    process.stderr.write(
      `${known ? error.message : `It could not be moved: ${error.message}`}\nIt works on where it was.\n`,
    )
    process.exitCode = 1
  })
  .finally(closePool)
