import type { Method } from '@/core/card/card'

/**
 * The works by which what a way asks for first is met, in their order: offered before it in a line of work. None where somebody else
 * answers it, or a look does. Every way’s words must stand in the list.
 */
export const FIRST: Readonly<Record<string, readonly Method[]>> = {
  water: ['water'],
  'soil moist': ['water'],
  'relieve the stress': ['water', 'trenches'],
  'open the soil': ['trenches'],
  'bare the base': ['collar'],
  'clear the cover': ['hands'],
  'feed it strong': ['feed'],
  'soil test': ['sample'],
  'soil pH and leaf analysis': ['sample'],
  // A proof is a decision of its own; a feeder is a cause of its own; utilities are asked.
  'laboratory proof': [],
  'the sap feeder': [],
  'the line declared safe': [],
}
