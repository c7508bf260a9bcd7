'use client'
import { METHOD_NAME, isHand } from '@/core/methods/names'
import { isFed } from '@/core/methods/feed/isFed'
import { useState } from 'react'
import { harvestDaysOf } from '@/core/limits/harvest'
import { repeatsOfAll } from '@/core/methods/crown-spray/tank'
import { methodOf } from '@/core/methods/registry'
import { showProduct } from '@/core/methods/showProduct'
import type { GroupView } from '@/server/read/group'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { itemsOfLine, MOST_ITEMS, nextWhen, withWhen, type LineStep, type When } from '@/ui/methods/line'
import { LineOfWork, WhenFields } from '@/ui/methods/LineOfWork'
import { MatterChoices, mattersSent, type ChosenMatters } from '@/ui/methods/Matters'
import { WorkDay } from '@/ui/methods/WorkDay'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { useGo } from '@/ui/shell/useGo'
import type { Group } from './useGroup'

/** What goes on many trees by one way. */
interface GroupItem {
  useId: string
  choice: number
  tank: number | null
  subjects: { treeId: string; decisionId: string; given: Record<string, unknown> }[]
}

/** Signs a prescription for many trees and hands it to the crew: one way for all, or several steps after one another. */
export function GroupHandOver({
  view,
  group,
  over,
  onDate,
  onDay,
  matters,
  onMatters,
}: {
  view: GroupView
  group: Group
  /** Actives that are more than their limit leaves. */
  over: readonly string[]
  onDate: string
  onDay: (day: string) => void
  matters: ChosenMatters
  onMatters: (matters: ChosenMatters) => void
}) {
  const { site, ways, units } = view
  const go = useGo()
  const { send, busy, problem } = useVerb('hand-to-crew', { makes: 'id' })
  /** How often, of which way: another way begins at once again. */
  const [often, setOften] = useState<{ useId: string | null; times: number }>({ useId: null, times: 1 })
  const [apart, setApart] = useState<number | null>(null)
  const [harvestOn, setHarvestOn] = useState('')
  const [eaten, setEaten] = useState<boolean | null>(null)
  const [steps, setSteps] = useState<readonly LineStep<GroupItem>[]>([])
  const [when, setWhen] = useState<When>(() => nextWhen([]))
  const way = ways.find((w) => w.id === group.useId) ?? null
  const times = often.useId === group.useId ? often.times : 1
  const setTimes = (n: number) => setOften({ useId: group.useId, times: n })
  const planned = group.rows.filter((r) => r.plan !== null)
  const asks = view.trees.find((t) => t.askFood !== null && planned.some((r) => r.tree.id === t.id))?.askFood
  const kindOf = (useId: string) =>
    planned
      .flatMap((r) => [{ useId: r.useId, plan: r.plan! }, ...r.besides])
      .find((put) => put.useId === useId)?.plan.kind ?? 'liquid'

  // Trees of another way are signed by themselves: a line is one way for all of them after another.
  const onWays = new Set(planned.map((r) => r.useId))
  const here: LineStep<GroupItem> | null =
    way && planned.length > 0
      ? {
          name: `${METHOD_NAME[way.use.method]}, ${way.product.name}`,
          says: `${planned.length} ${planned.length === 1 ? 'tree' : 'trees'}`,
          items: itemsNow(),
          when,
          times,
          apart,
        }
      : null

  /** What is put on or done now, by way, each with its trees. */
  function itemsNow(): GroupItem[] {
    const byUse = new Map<string, typeof planned>()
    for (const row of planned) byUse.set(row.useId!, [...(byUse.get(row.useId!) ?? []), row])
    return [...byUse].flatMap(([useId, rows]) => {
      const subjects = rows.map(({ tree }) => {
        const { given } = group.chosen(tree)
        return {
          treeId: tree.id,
          decisionId: view.trees.find((t) => t.id === tree.id)!.decisionId,
          given: { ...given, bearings: given.bearings && [...given.bearings] },
        }
      })
      const mates = useId === group.useId ? Object.keys(group.tank) : []
      return [useId, ...mates].map((id) => ({
        useId: id,
        choice: group.choices[id] ?? 0,
        tank: mates.length > 0 ? 1 : null,
        subjects,
      }))
    })
  }

  function keep() {
    if (!here) return
    const kept = [...steps, here]
    setSteps(kept)
    setWhen(nextWhen(kept))
    setTimes(1)
    setApart(null)
    const used = new Set(kept.flatMap((s) => s.items.map((i) => i.useId)))
    const next = ways.find(
      (w) => !used.has(w.id) && group.trees.some((t) => (t.closed[w.id] ?? []).length === 0),
    )
    if (next) group.setUseId(next.id)
  }

  async function sign() {
    const done = await send({
      // What is done several times is the way for all; exceptions are done once.
      items: itemsOfLine([...steps, ...(here ? [here] : [])]).map((item) =>
        here?.items.some((i) => i.useId === item.useId) &&
        item.useId !== group.useId &&
        !(item.useId in group.tank)
          ? { ...item, times: 1, apart: null }
          : item,
      ),
      onDate,
      eaten,
      harvestOn: harvestOn || null,
      matters: mattersSent(matters),
    })
    if (done) go(done.jobId ? `/run/${done.jobId}` : `/turn?site=${site.id}`)
  }

  return (
    <section aria-label="Hand to the crew" className="no-print">
      <LineOfWork
        line={steps}
        here={here}
        day={{ onDate, today: view.today }}
        onDay={onDay}
        onWhen={(n, to) => (n === steps.length ? setWhen(to) : setSteps(withWhen(steps, n, to)))}
        onDrop={() => {
          setSteps(steps.slice(0, -1))
          setWhen(nextWhen(steps.slice(0, -1)))
        }}
      />
      <WhenFields when={when} onWhen={setWhen} line={steps} byHand={way !== null && isHand(way.use.method)} />
      <WorkDay
        today={view.today}
        onDate={onDate}
        onDay={onDay}
        askFood={asks ?? null}
        eaten={eaten}
        onEaten={setEaten}
        harvestDays={Math.max(
          0,
          ...planned.flatMap((r) =>
            [r.useId, ...r.besides.map((b) => b.useId)].map((id) =>
              harvestDaysOf(ways.find((w) => w.id === id)?.use.foodCrops, r.tree.facts.host),
            ),
          ),
        )}
        harvestOn={harvestOn}
        onHarvest={setHarvestOn}
        repeats={
          way &&
          repeatsOfAll(
            [way, ...ways.filter((w) => w.id in group.tank)].map((w) => methodOf(w.use).repeats(w.use)),
          )
        }
        times={times}
        onTimes={setTimes}
        apart={apart}
        onApart={setApart}
      />
      <MatterChoices matters={view.matters} chosen={matters} onChosen={onMatters} oneTree={false} />
      {over.map((active) => (
        <Note key={active} says="stop" className="mt-2">
          More {active} than the limit leaves this year. Leave trees out, choose another way for some, or
          share the limit out.
        </Note>
      ))}
      <ProblemNote problem={problem} />
      <Button
        now
        className="w-full mt-3"
        disabled={busy || planned.length === 0 || over.length > 0}
        onClick={() => void sign()}
      >
        {busy
          ? 'Handing over'
          : `Sign ${steps.length > 0 ? `all ${steps.length + 1} ` : ''}for ${planned.length} ${planned.length === 1 ? 'tree' : 'trees'} →`}
      </Button>
      {steps.length + 1 < MOST_ITEMS && (
        <Button
          className="w-full mt-2"
          disabled={busy || planned.length === 0 || over.length > 0 || onWays.size > 1}
          title={onWays.size > 1 ? 'Trees of another way are signed by themselves.' : undefined}
          onClick={keep}
        >
          Keep it and add another step
        </Button>
      )}
      <p className="text-small text-ink2 mt-2">
        {Object.entries(group.totals.byUse)
          .map(([id, t]) => {
            const w = ways.find((x) => x.id === id)!
            return isHand(w.use.method)
              ? `${w.product.name} at ${t.trees} ${t.trees === 1 ? 'tree' : 'trees'}`
              : `${w.product.name}: ${showProduct(t.product, isFed(w.use) ? 'weight' : kindOf(id), w.use.method, units)} for ${t.trees} ${t.trees === 1 ? 'tree' : 'trees'}`
          })
          .join(' · ')}
      </p>
    </section>
  )
}
