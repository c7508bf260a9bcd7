'use client'
import Link from 'next/link'
import { useState } from 'react'
import { METHOD_NAME } from '@/core/card/say'
import { rateFor } from '@/core/methods/proposeRate'
import { sayMinutes } from '@/core/methods/say'
import { stockBottleFor } from '@/core/methods/soil-drench/bottle'
import { showProduct } from '@/core/methods/showProduct'
import { harvestDaysOf } from '@/core/limits/harvest'
import { isHand } from '@/core/methods/hand'
import { methodOf } from '@/core/methods/registry'
import { repeatsOfAll } from '@/core/methods/crown-spray/tank'
import { shown } from '@/core/quantity/pair'
import type { GroupView } from '@/server/read/group'
import { CutListPanel } from '@/ui/methods/CutListPanel'
import { GivenFields } from '@/ui/methods/GivenFields'
import { LimitBar } from '@/ui/methods/LimitBar'
import { RateChoice } from '@/ui/methods/RateChoice'
import { StockBottlePanel } from '@/ui/methods/StockBottlePanel'
import { useStockBottle } from '@/ui/methods/useStockBottle'
import { itemsOfLine, MOST_ITEMS, nextWhen, type LineStep, type When } from '@/ui/methods/line'
import { LineOfWork, WhenFields } from '@/ui/methods/LineOfWork'
import { MatterChoices, mattersSent, type ChosenMatters } from '@/ui/methods/Matters'
import { SameTank } from '@/ui/methods/SameTank'
import { WorkDay } from '@/ui/methods/WorkDay'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { useVerb } from '@/ui/fields/useVerb'
import { Button } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { useMay } from '@/ui/shell/may'
import { useGo } from '@/ui/shell/useGo'
import { Slip } from '@/ui/slip/Slip'
import { GroupSheet } from './GroupSheet'
import { GroupTable } from './GroupTable'
import { ShareOut } from './ShareOut'
import { useGroup } from './useGroup'

/** What goes on many trees by one way. */
interface GroupItem {
  useId: string
  choice: number
  tank: number | null
  subjects: { treeId: string; decisionId: string; given: Record<string, unknown> }[]
}

/** One prescription for many trees of a site: a way for all, exceptions by hand, the limit shared out, every tree's own figures. */
export function GroupPrescribe({ view }: { view: GroupView }) {
  const { site, cause, ways, units } = view
  const may = useMay()
  const go = useGo()
  const group = useGroup(view)
  const { send, busy, problem } = useVerb('hand-to-crew', { makes: 'id' })
  const [onDate, setOnDate] = useState(view.today)
  const [times, setTimes] = useState(1)
  const [harvestOn, setHarvestOn] = useState('')
  const [eaten, setEaten] = useState<boolean | null>(null)
  const [chosen, setChosen] = useState<string | null>(null)
  const [matters, setMatters] = useState<ChosenMatters>({})
  const [steps, setSteps] = useState<readonly LineStep<GroupItem>[]>([])
  const [when, setWhen] = useState<When>(() => nextWhen([]))
  const way = ways.find((w) => w.id === group.useId) ?? null
  const planned = group.rows.filter((r) => r.plan !== null)
  const over = group.grounds.filter(
    (g) => g.wanted > g.limit - g.applied - g.others - g.planned + g.limit * 1e-9,
  )
  // Those that the way for all counts to, and those that anything planned counts to.
  const grounds = group.grounds.filter(
    (g) => g.wanted > 0 || (group.useId !== null && g.useIds.includes(group.useId)),
  )
  const asks = view.trees.find((t) => t.askFood !== null && planned.some((r) => r.tree.id === t.id))?.askFood
  const drench = way?.use.method === 'soil-drench' ? way.use : null
  const [stock, setStock] = useStockBottle()
  const slip = group.rows.find((r) => r.tree.id === chosen) ?? planned[0]

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
          ? { ...item, times: 1 }
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
    <>
      <SiteHeading
        site={site}
        title={
          <>
            {cause
              ? `${cause.name}, ${view.block ? `${view.block}, ` : ''}${view.trees.length} ${view.trees.length === 1 ? 'tree' : 'trees'}`
              : 'Nothing to prescribe'}
          </>
        }
        below={
          <>
            {group.totals.planned} planned
            {group.rows.length - group.totals.planned > 0 &&
              `, ${group.rows.length - group.totals.planned} not`}{' '}
            · about {sayMinutes(group.totals.minutes)} of work
            {group.totals.water > 0 && ` · ${shown(group.totals.water, 'gal', units, 0)} of water`}
          </>
        }
      />
      {site.note && <Note className="mt-3">{site.note}</Note>}
      {view.causes.length > 1 && (
        <p className="no-print mt-3 flex flex-wrap gap-x-4">
          <span className="label">Cause</span>
          {view.causes.map((c) =>
            c.id === cause?.id ? (
              <b key={c.id}>
                {c.name}, {c.trees}
              </b>
            ) : (
              <Link
                key={c.id}
                href={`?${new URLSearchParams({ cause: c.id, ...(view.block !== null && { block: view.block }) })}`}
                className="underline underline-offset-2"
              >
                {c.name}, {c.trees}
              </Link>
            ),
          )}
        </p>
      )}
      {view.blocks.length > 0 && (
        <p className="no-print mt-2 flex flex-wrap gap-x-4">
          <span className="label">Block</span>
          {[null, ...view.blocks.map((b) => b.name)].map((name) =>
            name === view.block ? (
              <b key={name}>{name ?? 'all'}</b>
            ) : (
              <Link
                key={name}
                href={`?${new URLSearchParams({ ...(cause && { cause: cause.id }), ...(name !== null && { block: name }) })}`}
                className="underline underline-offset-2"
              >
                {name ?? 'all'}
              </Link>
            ),
          )}
        </p>
      )}
      {!cause ? (
        <p className="mt-4 max-w-2xl">
          No tree of this site waits for a prescription. Trees come here once a cause is signed and it is
          decided to treat them, or to care for them.
        </p>
      ) : ways.length === 0 ? (
        <Note className="mt-4">No card on the shelf names this cause on these kinds of tree.</Note>
      ) : (
        <div className="no-print grid gap-x-7 gap-y-5 mt-4 lg:grid-cols-[212px_minmax(0,1fr)_250px]">
          <div className="no-print grid gap-4 content-start">
            <fieldset>
              <legend className="label">The way for all</legend>
              <div className="grid gap-1.5">
                {ways.map((w) => {
                  const open = group.trees.filter((t) => (t.closed[w.id] ?? []).length === 0).length
                  const on = group.totals.byUse[w.id]?.trees ?? 0
                  return (
                    <label
                      key={w.id}
                      className={`border-l-[3px] px-3 py-1.5 min-h-[44px] cursor-pointer block has-focus-visible:outline-2 has-focus-visible:outline-rust ${open > 0 ? 'bg-sheet' : ''} ${w.id === group.useId ? 'border-l-rust' : 'border-l-line'}`}
                    >
                      <input
                        type="radio"
                        name="way"
                        className="sr-only"
                        checked={w.id === group.useId}
                        onChange={() => {
                          group.setUseId(w.id)
                          setTimes(1)
                        }}
                      />
                      <span className={`block ${w.id === group.useId ? 'font-bold' : ''}`}>
                        {METHOD_NAME[w.use.method]}, {w.product.name}
                      </span>
                      <span className="block text-small text-ink2">
                        {on > 0 ? `${on} planned, ` : ''}
                        {open === 0
                          ? `closed: ${group.trees[0]?.closed[w.id]?.[0] ?? ''}`
                          : `open for ${open} of ${group.trees.length}`}
                      </span>
                    </label>
                  )
                })}
              </div>
            </fieldset>
            {way && (
              <>
                <RateChoice
                  use={way.use}
                  choice={group.choices[way.id] ?? 0}
                  onChoice={(c) => group.setChoice(way.id, c)}
                  why={
                    (group.choices[way.id] ?? 0) === rateFor(way.use, view.rate).choice
                      ? rateFor(way.use, view.rate).why
                      : null
                  }
                />
                <GivenFields
                  method={way.use.method}
                  asks={methodOf(way.use)
                    .asks(way.use as never)
                    .filter((a) => a !== 'portGirth')}
                  typed={group.forAll}
                  onTyped={group.setForAll}
                  units={units}
                  problem={null}
                />
                <SameTank
                  of={way}
                  others={ways.filter((w) => group.trees.some((t) => (t.closed[w.id] ?? []).length === 0))}
                  chosen={group.tank}
                  onChosen={group.setTank}
                  rateOf={(use) => rateFor(use, view.rate)}
                />
              </>
            )}
          </div>
          <GroupTable view={view} group={group} chosen={chosen} onChosen={setChosen} />
          <div className="grid gap-4 content-start">
            {grounds.map((g) => (
              <LimitBar key={g.active} ground={g} areaM2={site.areaM2!} units={units} />
            ))}
            {site.areaM2 === null && ways.some((w) => w.use.limits?.activePerAreaYear) && (
              <Note>
                How large {site.name} is has not been entered; without it no yearly limit can be kept, and
                nothing that has one can be signed.
              </Note>
            )}
            {grounds.map((g) => (
              <ShareOut key={g.active} view={view} group={group} ground={g} />
            ))}
            {may('hand-to-crew') && (
              <section aria-label="Hand to the crew" className="no-print">
                <LineOfWork
                  line={steps}
                  onDrop={() => {
                    setSteps(steps.slice(0, -1))
                    setWhen(nextWhen(steps.slice(0, -1)))
                  }}
                />
                <WhenFields
                  when={when}
                  onWhen={setWhen}
                  line={steps}
                  byHand={way !== null && isHand(way.use.method)}
                />
                <WorkDay
                  today={view.today}
                  onDate={onDate}
                  onDay={setOnDate}
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
                      [way, ...ways.filter((w) => w.id in group.tank)].map((w) =>
                        methodOf(w.use).repeats(w.use),
                      ),
                    )
                  }
                  times={times}
                  onTimes={setTimes}
                />
                <MatterChoices
                  matters={view.matters}
                  chosen={matters}
                  onChosen={setMatters}
                  oneTree={false}
                />
                {over.map((g) => (
                  <Note key={g.active} says="stop" className="mt-2">
                    More {g.active} than the limit leaves this year. Leave trees out, choose another way for
                    some, or share the limit out.
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
                        : `${w.product.name}: ${showProduct(t.product, w.use.method === 'feed' ? 'weight' : kindOf(id), w.use.method, units)} for ${t.trees} ${t.trees === 1 ? 'tree' : 'trees'}`
                    })
                    .join(' · ')}
                </p>
              </section>
            )}
            {way?.use.method === 'guard' && (
              <CutListPanel
                trees={planned.map((r) => ({ id: r.tree.id, tag: r.tree.tag, plan: r.plan! }))}
                units={units}
              />
            )}
            {drench && (
              <StockBottlePanel
                bottle={stockBottleFor(
                  drench,
                  group.choices[way!.id] ?? 0,
                  planned.flatMap((r) =>
                    r.useId === way!.id ? [{ id: r.tree.id, tag: r.tree.tag, plan: r.plan! }] : [],
                  ),
                  stock,
                  units,
                )}
                typed={stock}
                onTyped={setStock}
                basis={drench.terms.basis}
                tree={slip?.tree ?? null}
                units={units}
              />
            )}
            {slip && slip.working.length > 0 && (
              <Slip title="Working" about={slip.tree.tag} working={slip.working} />
            )}
            {slip?.besides.map((b) => (
              <Slip
                key={b.useId}
                title="Working"
                about={`${slip.tree.tag}, ${ways.find((w) => w.id === b.useId)!.product.name}`}
                working={b.working}
              />
            ))}
          </div>
        </div>
      )}
      {cause && ways.length > 0 && (
        <GroupSheet
          view={view}
          group={group}
          chosen={matters}
          onDate={onDate}
          over={over.map((g) => g.active)}
        />
      )}
    </>
  )
}
