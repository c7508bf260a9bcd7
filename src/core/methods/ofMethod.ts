import type { Method } from '../card/card'

/** The question whether something is of a method; each stands in the folder of its method, so that nothing else knows it by name. */
export const ofMethod =
  <M extends Method>(method: M) =>
  <T extends { method: Method }>(x: T): x is T & { method: M } =>
    x.method === method
