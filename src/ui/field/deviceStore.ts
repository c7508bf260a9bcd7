import { deleteDB, openDB, type IDBPDatabase } from 'idb'
import type { Problem } from '@/core/problem'
import type { FieldStep } from '@/core/field/envelope'
import { newId } from '@/ui/fields/newId'
import type { Batch } from '@/ui/run/presses'

/** One press as a device keeps it until it is answered. */
export interface KeptEnvelope {
  id: string
  person: string
  /** The job it is of; null where it is of none. */
  job: string | null
  /** The how-manieth of this person on this device. */
  n: number
  /** Of the firm's clock, epoch ms. */
  at: number
  /** Shown as done before anybody answered. */
  away: boolean
  step: FieldStep
  content: Record<string, unknown>
  /** Trees of the job it is about. */
  trees: string[]
  /** Presses at steps, in the shape the fold reads. */
  presses?: Batch['presses']
}

/** What a rule refused: it stays in view until somebody has seen it. */
export interface RefusedEnvelope {
  id: string
  job: string | null
  trees: string[]
  /** Steps of a tree of a job, or what was looked at, that it was about. */
  stepIds: string[]
  problem: Problem
}

/** What a photograph shows: a task at a tree of a job (null: the tree as it stands), or a tree that is examined. */
export type PhotoOf = { jobSubjectId: string; task: string | null } | { treeId: string; assessmentId: string }

/** A photograph, until the server has it. */
export type KeptPhoto = PhotoOf & {
  id: string
  person: string
  /** Of the firm’s clock, epoch ms. */
  at: number
  away: boolean
  picture: Blob
}

/** Something fetched from the server, as it was when it came. */
export interface KeptView {
  key: string
  value: unknown
  etag: string | null
  /** Of the firm's clock, epoch ms. */
  at: number
  /** How far the firm's clock is ahead of the device's, ms. */
  ahead: number
}

const SHARED = 'elmhorn-device'
/** One database a person: nobody else's session opens it. */
const nameOf = (person: string) => `elmhorn-field-${person}`
const open = new Map<string, Promise<IDBPDatabase>>()

function database(name: string): Promise<IDBPDatabase> {
  const known = open.get(name)
  if (known) return known
  const opening = openDB(name, 2, {
    upgrade(db, before) {
      if (name === SHARED) {
        if (before < 1) db.createObjectStore('about')
        return
      }
      for (const store of before < 1 ? ['envelopes', 'refused', 'views', 'photos'] : ['photos'])
        db.createObjectStore(store, { keyPath: store === 'views' ? 'key' : 'id' })
    },
    // A page of a newer version opens it: this one lets go.
    blocking: () =>
      void open
        .get(name)
        ?.then((db) => db.close())
        .finally(() => open.delete(name)),
  }).catch((error: unknown) => {
    open.delete(name)
    throw error
  })
  open.set(name, opening)
  return opening
}

/** What a device that keeps nothing answers instead: it still sends. */
async function orElse<T>(otherwise: T, act: () => Promise<T>): Promise<T> {
  try {
    return await act()
  } catch {
    return otherwise
  }
}

/** This device, by an id of its own; made when it is asked for first. */
export function deviceId(): Promise<string> {
  return orElse(newId(), async () => {
    const db = await database(SHARED)
    const known = (await db.get('about', 'device')) as string | undefined
    if (known) return known
    const made = newId()
    await db.put('about', made, 'device')
    return made
  })
}

/** Who was signed in here last, and has not signed out; null where nobody was. */
export function lastPerson(): Promise<string | null> {
  return orElse(
    null,
    async () => ((await (await database(SHARED)).get('about', 'person')) as string | undefined) ?? null,
  )
}

/** Says who is signed in here; null: nobody is. */
export function setLastPerson(person: string | null): Promise<void> {
  return orElse(undefined, async () => {
    const db = await database(SHARED)
    await (person === null ? db.delete('about', 'person') : db.put('about', person, 'person'))
  })
}

/** Keeps a press on the device. A device that keeps nothing still sends: then it answers false. */
export function keepEnvelope(envelope: KeptEnvelope): Promise<boolean> {
  return orElse(false, async () => {
    await (await database(nameOf(envelope.person))).put('envelopes', envelope)
    return true
  })
}

/** Forgets presses that were answered. What is kept once too often is a repeat, and is answered as one. */
export function forgetEnvelopes(person: string, ids: readonly string[]): Promise<void> {
  return orElse(undefined, async () => {
    const tx = (await database(nameOf(person))).transaction('envelopes', 'readwrite')
    await Promise.all([...ids.map((id) => tx.store.delete(id)), tx.done])
  })
}

/** What a person pressed on this device and nobody answered, in the order it was pressed. */
export function envelopesOf(person: string): Promise<KeptEnvelope[]> {
  return orElse([], async () => {
    const all = (await (await database(nameOf(person))).getAll('envelopes')) as KeptEnvelope[]
    return all.sort((a, b) => a.n - b.n)
  })
}

/** Keeps why a press was refused, until it was seen. */
export function keepRefused(person: string, refused: RefusedEnvelope): Promise<void> {
  return orElse(undefined, async () => void (await (await database(nameOf(person))).put('refused', refused)))
}

export function forgetRefused(person: string, id: string): Promise<void> {
  return orElse(undefined, async () => (await database(nameOf(person))).delete('refused', id))
}

/** What was refused and nobody has seen yet. */
export function refusedOf(person: string): Promise<RefusedEnvelope[]> {
  return orElse(
    [],
    async () => (await (await database(nameOf(person))).getAll('refused')) as RefusedEnvelope[],
  )
}

/** Keeps a photograph on the device; false where it keeps nothing, or has no room. */
export function keepPhoto(photo: KeptPhoto): Promise<boolean> {
  return orElse(false, async () => {
    await (await database(nameOf(photo.person))).put('photos', photo)
    return true
  })
}

/** Forgets a photograph that the server has, or refused. */
export function forgetPhoto(person: string, id: string): Promise<void> {
  return orElse(undefined, async () => (await database(nameOf(person))).delete('photos', id))
}

/** Photographs that a person took on this device and that the server has not yet. */
export function photosOf(person: string): Promise<KeptPhoto[]> {
  return orElse([], async () => (await (await database(nameOf(person))).getAll('photos')) as KeptPhoto[])
}

/** Keeps what came from the server under a name: `day`, or `job <id>`. */
export function keepView(person: string, view: KeptView): Promise<void> {
  return orElse(undefined, async () => void (await (await database(nameOf(person))).put('views', view)))
}

/** What came last under a name. */
export function viewOf(person: string, key: string): Promise<KeptView | null> {
  return orElse(
    null,
    async () => ((await (await database(nameOf(person))).get('views', key)) as KeptView | undefined) ?? null,
  )
}

/** Everything that came last under names that begin so. */
export function viewsOf(person: string, begin: string): Promise<KeptView[]> {
  return orElse([], async () =>
    ((await (await database(nameOf(person))).getAll('views')) as KeptView[]).filter((v) =>
      v.key.startsWith(begin),
    ),
  )
}

/** Forgets views but some: jobs that are over need no room. */
export function keepOnlyViews(person: string, keys: readonly string[]): Promise<void> {
  return orElse(undefined, async () => {
    const tx = (await database(nameOf(person))).transaction('views', 'readwrite')
    for (const key of await tx.store.getAllKeys())
      if (!keys.includes(key as string)) await tx.store.delete(key)
    await tx.done
  })
}

/** Empties what this device keeps of a person. */
export async function emptyStore(person: string): Promise<void> {
  const name = nameOf(person)
  await orElse(undefined, async () => {
    ;(await database(name)).close()
    open.delete(name)
    await deleteDB(name)
  })
}
