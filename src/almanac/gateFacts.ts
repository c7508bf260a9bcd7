import { byKind } from '@/core/kind/kind'
import { hasIt } from '@/core/diagnose/weigh'
import type { CauseFacts, HostFacts } from '@/core/gate/question'
import { cause as causeOf, causeName } from './causes'
import { BARE_CONIFERS, FOLIAGE, host as hostOf, hostName } from './hosts'
import { BLOOM, NOT_BORNE, UNCUT } from './hostSeasons'
import { hostsOf, type OwnEntry } from './ownEntry'
import { treatableOf } from './treatable'
import { waysOf } from './ways'

/** What of a kind of tree the gate reads; of a kind of the firm’s own only whether people eat of it. */
export function hostFacts(id: string, own: readonly OwnEntry[] = []): HostFacts {
  const known = hostOf(id)
  const [bloom, uncut, notBorne] = [byKind(BLOOM, id), byKind(UNCUT, id), byKind(NOT_BORNE, id)]
  return {
    id,
    name: hostName(id),
    foliage: BARE_CONIFERS.includes(id) ? 'deciduous' : (FOLIAGE[id] ?? 'evergreen'),
    edible: (known ?? hostsOf(own).find((h) => h.id === id))?.edible ?? false,
    ...(known?.askFood !== undefined && { askFood: known.askFood }),
    ...(known?.noNeonicotinoid !== undefined && { noNeonicotinoid: known.noNeonicotinoid }),
    ...(bloom && { bloom }),
    ...(uncut && { uncut }),
    ...(notBorne && { notBorne }),
  }
}

/** What of a cause the gate reads, on a kind of tree. */
export function causeFacts(id: string, host: string, own: readonly OwnEntry[] = []): CauseFacts {
  const known = causeOf(id)
  return {
    id,
    name: causeName(id),
    refuses: known?.refuses ?? {},
    bears: byKind(known?.bearsOn, host) ?? [],
    treatable: treatableOf(id, host),
    ways: waysOf(id, own),
    // A kind or a cause of the firm’s own is where the firm says it is.
    onKind: !known || hasIt(known, host) || !hostOf(host),
  }
}
