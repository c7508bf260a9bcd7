import { openDB, type IDBPDatabase } from 'idb'
import type { Batch } from './presses'

/** Presses of one hand movement as a device keeps them: whose they are, of which job, and where they stand in the row. */
export interface KeptBatch extends Batch {
  person: string
  job: string
  n: number
}

const NAME = 'elmhorn-run'
const PRESSES = 'presses'

let opening: Promise<IDBPDatabase> | null = null
const database = () =>
  (opening ??= openDB(NAME, 1, {
    upgrade(db) {
      db.createObjectStore(PRESSES, { keyPath: 'id' }).createIndex('person', 'person')
    },
  }).catch((error: unknown) => {
    opening = null
    throw error
  }))

/** Keeps presses on the device. A device that keeps nothing still sends: then it answers false. */
export async function keepBatch(batch: KeptBatch): Promise<boolean> {
  try {
    await (await database()).put(PRESSES, batch)
    return true
  } catch {
    return false
  }
}

/** Forgets presses that were answered. */
export async function forgetBatches(ids: readonly string[]): Promise<void> {
  try {
    const tx = (await database()).transaction(PRESSES, 'readwrite')
    await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done])
  } catch {
    // What is kept once too often is a repeat, and is answered as one.
  }
}

/** What a person pressed on this device and nobody answered, in the order it was pressed. */
export async function batchesOf(person: string): Promise<KeptBatch[]> {
  try {
    const all = (await (await database()).getAllFromIndex(PRESSES, 'person', person)) as KeptBatch[]
    return all.sort((a, b) => a.n - b.n)
  } catch {
    return []
  }
}
