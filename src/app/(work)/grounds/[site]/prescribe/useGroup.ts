'use client'
import { useMemo, useState } from 'react'
import { givenFor, type TypedGiven } from '@/core/methods/given'
import { totalsOf, type Chosen, type GroupQuestion, type GroupTree } from '@/core/methods/group'
import { rateFor } from '@/core/methods/proposeRate'
import { firstWay, groundsOf } from '@/core/methods/groupGrounds'
import type { GroupView } from '@/server/read/group'
import { tablePlanner } from '@/ui/methods/tablePlanner'

/** A tree of the view that can be planned: it is measured. */
function plannable(tree: GroupView['trees'][number]): GroupTree | null {
  return tree.facts
    ? { id: tree.id, tag: tree.tag, facts: tree.facts, reading: tree.reading, closed: tree.closed }
    : null
}

/** The table of a group: what was chosen for all and for each, and every tree's own figures by it. */
export function useGroup(view: GroupView) {
  const { ways, units, day } = view
  const trees = useMemo(() => view.trees.flatMap((t) => plannable(t) ?? []), [view.trees])
  const [useId, setUseId] = useState(() => firstWay(ways, trees))
  const [choices, setChoices] = useState<Record<string, number>>({})
  /** Trees for which something else was chosen than for all, by hand or by the share; null leaves one out. */
  const [own, setOwn] = useState<Record<string, string | null>>({})
  const [given, setGiven] = useState<Record<string, TypedGiven>>({})
  const [forAll, setForAll] = useState<TypedGiven>({})
  /** What shares the tank of the way for all, with its rate. */
  const [tank, setTank] = useState<Record<string, number>>({})

  const q: GroupQuestion = useMemo(
    () => ({
      uses: ways.map((w) => ({ id: w.id, use: w.use, source: w.source })),
      choices: {
        ...Object.fromEntries(ways.map((w) => [w.id, choices[w.id] ?? rateFor(w.use, view.rate).choice])),
        ...tank,
      },
      tank: useId === null ? null : { of: useId, with: Object.keys(tank) },
      day,
      units,
    }),
    [ways, choices, tank, useId, day, units, view.rate],
  )
  const chosen = (tree: GroupTree): Chosen => ({
    useId: tree.id in own ? own[tree.id]! : useId,
    given: givenFor(forAll, given[tree.id]),
  })
  const [plan] = useState(tablePlanner)
  const { rows, ms } = plan(trees, chosen, q)
  const totals = totalsOf(rows)
  const grounds = groundsOf(rows, ways, view.used)
  return {
    q,
    trees,
    rows,
    ms,
    totals,
    grounds,
    useId,
    setUseId: (id: string) => {
      setUseId(id)
      setOwn({})
      setTank({})
      // What one method asks of trees is not what another does.
      setForAll((typed) => ({ ...typed, hand: {} }))
    },
    choices: q.choices,
    setChoice: (id: string, choice: number) => setChoices({ ...choices, [id]: choice }),
    own,
    setOwn,
    given,
    setGiven: (treeId: string, typed: TypedGiven) => setGiven({ ...given, [treeId]: typed }),
    forAll,
    setForAll,
    tank,
    setTank,
    chosen,
  }
}

export type Group = ReturnType<typeof useGroup>
