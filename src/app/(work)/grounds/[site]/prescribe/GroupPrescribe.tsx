'use client'
import { METHOD_NAME, isHand } from '@/core/methods/names'
import { isPoured } from '@/core/methods/soil-drench/isPoured'
import { isOfMesh } from '@/core/methods/guard/isOfMesh'
import { useState } from 'react'
import { spokenDate } from '@/core/time/calendar'
import { rateFor } from '@/core/methods/proposeRate'
import { sayMinutes } from '@/core/methods/sayTime'
import { stockBottleFor } from '@/core/methods/soil-drench/bottle'
import { methodOf } from '@/core/methods/registry'
import { shown } from '@/core/quantity/pair'
import type { GroupView } from '@/server/read/group'
import { CutListPanel } from '@/ui/methods/CutListPanel'
import { GivenFields } from '@/ui/methods/GivenFields'
import { HoursPanel } from '@/ui/methods/HoursPanel'
import { LimitBar } from '@/ui/methods/LimitBar'
import { RateChoice } from '@/ui/methods/RateChoice'
import { StockBottlePanel } from '@/ui/methods/StockBottlePanel'
import { useStockBottle } from '@/ui/methods/useStockBottle'
import type { ChosenMatters } from '@/ui/methods/Matters'
import { SameTank } from '@/ui/methods/SameTank'
import { Note } from '@/ui/pieces/Note'
import { OneOf } from '@/ui/pieces/OneOf'
import { SiteHeading } from '@/ui/pieces/SiteHeading'
import { useMay } from '@/ui/shell/may'
import { Slip } from '@/ui/slip/Slip'
import { GroupHandOver } from './GroupHandOver'
import { GroupSheet } from './GroupSheet'
import { GroupTable } from './GroupTable'
import { ShareOut } from './ShareOut'
import { useGroup } from './useGroup'

/** One prescription for many trees of a site: a way for all, exceptions by hand, the limit shared out, every tree's own figures. */
export function GroupPrescribe({ view }: { view: GroupView }) {
  const { site, cause, ways, units } = view
  const may = useMay()
  const group = useGroup(view)
  const [chosen, setChosen] = useState<string | null>(null)
  const [matters, setMatters] = useState<ChosenMatters>({})
  const way = ways.find((w) => w.id === group.useId) ?? null
  const dayOf = (w: typeof way) => w?.opensOn ?? view.today
  const [onDate, setOnDate] = useState(dayOf(way))
  const planned = group.rows.filter((r) => r.plan !== null)
  const over = group.grounds.filter((g) => g.over)
  // Those that the way for all counts to, and those that anything planned counts to.
  const grounds = group.grounds.filter(
    (g) => g.wanted > 0 || (group.useId !== null && g.useIds.includes(group.useId)),
  )
  // Asked once for all of them; where one differs, in its own fields.
  const asked = way
    ? methodOf(way.use)
        .asks(way.use as never)
        .filter((a) => a !== 'portGirth')
    : []
  const drench = way && isPoured(way.use) ? way.use : null
  const [stock, setStock] = useStockBottle()
  const slip = group.rows.find((r) => r.tree.id === chosen) ?? planned[0]

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
        <OneOf
          label="Cause"
          all={view.causes.map((c) => ({
            name: `${c.name}, ${c.trees}`,
            href: `?${new URLSearchParams({ cause: c.id, ...(view.block !== null && { block: view.block }) })}`,
            holds: c.id === cause?.id,
          }))}
        />
      )}
      {view.blocks.length > 0 && (
        <OneOf
          label="Block"
          all={[null, ...view.blocks.map((b) => b.name)].map((name) => ({
            name: name ?? 'all',
            href: `?${new URLSearchParams({ ...(cause && { cause: cause.id }), ...(name !== null && { block: name }) })}`,
            holds: name === view.block,
          }))}
        />
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
                          if (onDate === dayOf(way)) setOnDate(dayOf(w))
                          group.setUseId(w.id)
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
                        {open > 0 && w.opensOn !== null && `, from ${spokenDate(w.opensOn)}`}
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
                  asks={asked}
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
          <div className="min-w-0">
            {way && (
              <HoursPanel
                use={way.use}
                actives={way.product.actives}
                forecast={view.forecast}
                minutes={group.totals.minutes}
              />
            )}
            <GroupTable view={view} group={group} chosen={chosen} onChosen={setChosen} />
          </div>
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
              <GroupHandOver
                view={view}
                group={group}
                over={over.map((g) => g.active)}
                onDate={onDate}
                onDay={setOnDate}
                matters={matters}
                onMatters={setMatters}
              />
            )}
            {way && isOfMesh(way.use) && (
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
            {slip && way && slip.useId === way.id && (asked.length > 0 || isHand(way.use.method)) && (
              <details className="no-print">
                <summary className="cursor-pointer py-1 min-h-[44px]">{slip.tree.tag} is otherwise</summary>
                <p className="mb-2 text-small text-ink2">
                  What is typed here holds for this tree alone; what is left empty is as for all.
                </p>
                <GivenFields
                  key={slip.tree.id}
                  method={way.use.method}
                  asks={asked}
                  typed={group.given[slip.tree.id] ?? {}}
                  onTyped={(typed) => group.setGiven(slip.tree.id, typed)}
                  units={units}
                  problem={null}
                />
              </details>
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
