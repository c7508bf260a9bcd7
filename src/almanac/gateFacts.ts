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
  return {
    id,
    name: hostName(id),
    foliage: BARE_CONIFERS.includes(id) ? 'deciduous' : (FOLIAGE[id] ?? 'evergreen'),
    edible: (known ?? hostsOf(own).find((h) => h.id === id))?.edible ?? false,
    ...(known?.askFood !== undefined && { askFood: known.askFood }),
    ...(known?.noNeonicotinoid !== undefined && { noNeonicotinoid: known.noNeonicotinoid }),
    ...(BLOOM[id] && { bloom: BLOOM[id] }),
    ...(UNCUT[id] && { uncut: UNCUT[id] }),
    ...(NOT_BORNE[id] && { notBorne: NOT_BORNE[id] }),
  }
}

/** What of a cause the gate reads, on a kind of tree. */
export function causeFacts(id: string, host: string, own: readonly OwnEntry[] = []): CauseFacts {
  const known = causeOf(id)
  return {
    id,
    name: causeName(id),
    refuses: known?.refuses ?? {},
    bears: known?.bearsOn?.[host] ?? [],
    treatable: treatableOf(id, host),
    ways: waysOf(id, own),
    // A kind or a cause of the firm’s own is where the firm says it is.
    onKind: !known || known.hosts === '*' || known.hosts.includes(host) || !hostOf(host),
  }
}
