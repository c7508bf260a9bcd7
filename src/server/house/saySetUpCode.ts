import { closePool } from '@/db/client'
import { isToBeSetUp, setUpCode } from './setUpCode'

// What `bin/serve` says while no firm works here: the code, or nothing.
isToBeSetUp()
  .then((open) => process.stdout.write(open ? setUpCode() : ''))
  .catch((error: Error) => {
    process.stderr.write(`Whether a firm was set up here cannot be told: ${error.message}\n`)
    process.exitCode = 1
  })
  .finally(() => void closePool())
