'use client'
import type { Answers, Asks, VerbName } from '@/server/verbs'
import { useVerb, type Keeping, type VerbState } from '../fields/useVerb'
import type { Sending } from './AskedForm'

/** Sends a form as one step of the job; see `useVerb`. `makes` names the id of what it makes; `keeping` how it is kept where nobody answers. */
export function useStep<Name extends VerbName>(
  name: Name,
  makes?: string,
  keeping?: Keeping<Asks<Name>>,
): Sending<Answers<Name>> {
  const verb: VerbState<Name, string> = useVerb<Name, string>(name, { makes, keeping })
  return {
    send: (input) => verb.send(input as never),
    busy: verb.busy,
    problem: verb.problem,
    renew: verb.renew,
    clear: verb.clear,
    makes,
  }
}
