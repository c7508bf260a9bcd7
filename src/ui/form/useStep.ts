'use client'
import type { Answers, VerbName } from '@/server/verbs'
import { useVerb, type VerbState } from '../fields/useVerb'
import type { Sending } from './AskedForm'

/** Sends a form as one step of the job; see `useVerb`. `makes` names the id of what it makes. */
export function useStep<Name extends VerbName>(name: Name, makes?: string): Sending<Answers<Name>> {
  const verb: VerbState<Name, string> = useVerb<Name, string>(name, { makes })
  return {
    send: (input) => verb.send(input as never),
    busy: verb.busy,
    problem: verb.problem,
    renew: verb.renew,
    clear: verb.clear,
    makes,
  }
}
