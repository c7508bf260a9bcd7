import { verifyPassword } from '../password'

// A process of its own for looking at passwords: that is made to take a tenth of a second of a core, and the threads it
// takes it in cannot be told to run after the pages' own. A process can.

process.on('message', ({ id, hash, password }: { id: number; hash: string; password: string }) => {
  verifyPassword(hash, password).then(
    (matches) => process.send!({ id, matches }),
    () => process.send!({ id, matches: false }),
  )
})
process.on('disconnect', () => process.exit(0))
