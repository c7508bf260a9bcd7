import { keyNames } from './seal'

// The keys of the ledger by their fingerprints, a line each, as a backup keeps them.
process.stdout.write(`${keyNames().join('\n')}\n`)
