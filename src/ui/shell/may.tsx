'use client'
import { createContext, useContext, type ReactNode } from 'react'
import type { VerbName } from '@/server/verbs'

const Steps = createContext<readonly VerbName[]>([])

/** Tells the pages within which steps this person may do. */
export function MayProvider({ steps, children }: { steps: readonly VerbName[]; children: ReactNode }) {
  return <Steps.Provider value={steps}>{children}</Steps.Provider>
}

/** Whether this person may do a step; what would be refused is not offered. `const may = useMay(); may('add-tree')` */
export function useMay(): (step: VerbName) => boolean {
  const steps = useContext(Steps)
  return (step) => steps.includes(step)
}

/** Shows what belongs to a step to whoever may do it, and `otherwise` to everybody else. */
export function May({
  step,
  otherwise = null,
  children,
}: {
  step: VerbName
  otherwise?: ReactNode
  children: ReactNode
}) {
  return useMay()(step) ? children : otherwise
}
