'use client'
import { afterPage } from '@/ui/pieces/afterPage'
import { OnceOpened } from '@/ui/pieces/OnceOpened'
import { METHOD_NAME } from '@/core/methods/names'
import { isByPorts } from '@/core/methods/trunk-injection/isByPorts'
import { isFromTank } from '@/core/methods/crown-spray/isFromTank'
import { isOfMesh } from '@/core/methods/guard/isOfMesh'
import { isPoured } from '@/core/methods/soil-drench/isPoured'
import { useMemo, useState } from 'react'
import { ANEW } from '@/core/plan/anew'
import { unpack, type Packed } from '@/core/packed'
import { saySeen } from '@/core/gate/looks'
import { hourAt } from '@/core/methods/outside'
import { isBegun, isIn, isOver } from '@/core/methods/running'
import { stockBottleFor } from '@/core/methods/soil-drench/bottle'
import type { JobView } from '@/server/read/work'
import { ProblemNote } from '@/ui/fields/ProblemNote'
import { Toggle } from '@/ui/fields/Toggle'
import { ButtonLink } from '@/ui/pieces/Button'
import { Note } from '@/ui/pieces/Note'
import { CutListPanel } from '@/ui/methods/CutListPanel'
import { StockBottlePanel } from '@/ui/methods/StockBottlePanel'
import { TankLoads } from '@/ui/methods/TankLoads'
import { useStockBottle } from '@/ui/methods/useStockBottle'
import { useNow } from '@/ui/run/useNow'
import { useOutside } from '@/ui/run/useOutside'
import { useWork } from '@/ui/run/useWork'
import { OfJob } from '@/ui/field/useKeeping'
import { withEnvelopes } from '@/ui/field/withEnvelopes'
import { useMay } from '@/ui/shell/may'
import { capital } from '@/core/capital'
import { clockTime, fromToday, writtenDate } from '@/ui/when'
import { askJob } from './askJob'
import { BeginWork } from './BeginWork'
import { Board } from './Board'
import { ConfirmTree } from './ConfirmTree'
import { inOrder, type InOrderOf, type Placed } from './inOrder'
import { asMeasured } from './measured'
import { JobHeading } from './JobHeading'
import { JobSheet } from './JobSheet'
import { PartsBar } from './PartsBar'
import { ThisPlace } from './ThisPlace'
import { useJobCalls } from './useJobCalls'
import { usePlaceInJob, type Part } from './usePlaceInJob'
import { isOpen, namesOf, portsOf, type Act, type JobTree } from './job'
import { MovedNote } from '../MovedNote'
import { outsideOf } from './outsideOf'
import { PortWork } from './PortWork'
import { besides, matesOf, tankOf, withBesides, worksOf } from './tank'
import { TaskWork } from './TaskWork'
import { TreeChoice } from './TreeChoice'
import { WorkPhotos } from './WorkPhotos'

const SignRecord = afterPage(() => import('./SignRecord'), 'SignRecord')
const HandBack = afterPage(() => import('./HandBack'), 'HandBack')
const ReleaseLine = afterPage(() => import('./ReleaseLine'), 'ReleaseLine')
const WholeRow = afterPage(() => import('./WholeRow'), 'WholeRow')
const TakeBack = afterPage(() => import('./TakeBack'), 'TakeBack')
const OutsidePress = afterPage(() => import('./OutsidePress'), 'OutsidePress')
const MoveDay = afterPage(() => import('./MoveDay'), 'MoveDay')

/** The crew's job: one tree under the hands, all running ports on the board, the record at the end. */
export function RunJob({ packed }: { packed: Packed<JobView> }) {
  const first: JobView = useMemo(() => unpack(packed), [packed])
  return <RunJobOf first={first} />
}

/** The same from a view that the device has. */
export function RunJobOf({ first }: { first: JobView }) {
  const { id, onDate } = first.job
  const { timeZone } = first
  const at = useMemo(() => ({ id, onDate, timeZone }), [id, onDate, timeZone])
  return (
    <OfJob value={at}>
      <Job first={first} />
    </OfJob>
  )
}

function Job({ first }: { first: JobView }) {
  const may = useMay()
  const fetchView = useMemo(() => askJob(first.job.id), [first.job.id])
  const work = useWork<JobView['trees'][number], JobView>(first, fetchView)
  const { view, act, refused } = work
  const [orderOf, setOrderOf] = useState<InOrderOf>('walk')
  // The view is asked for anew all the time; where its trees stand seldom changes.
  const where = useMemo(
    () => JSON.stringify(view.trees.map((t) => [t.id, t.itemId, t.eastM, t.northM])),
    [view.trees],
  )
  const walk = useMemo(() => inOrder(JSON.parse(where) as Placed[], orderOf), [where, orderOf])
  // What is pressed changes trees, never their order.
  const trees: JobTree[] = useMemo(
    () => withEnvelopes(work.trees, work.waiting).sort((a, b) => walk.get(a.id)!.at - walk.get(b.id)!.at),
    [work.trees, work.waiting, walk],
  )
  const now = useNow(view.now)
  useJobCalls(view, trees, now)
  const outside = useOutside<Parameters<Act>[0]>(
    hourAt(view.timeZone, now),
    (presses) => outsideOf(view, presses),
    act,
  )
  const {
    tree: treeId,
    part,
    goTo,
  } = usePlaceInJob((view.trees.find((t) => t.status === 'open') ?? view.trees[0])?.id ?? '')
  const [stock, setStock] = useStockBottle()
  const tree = trees.find((t) => t.id === treeId) ?? trees[0]
  if (!tree)
    return (
      <>
        <p>
          {view.moved.away.length > 0
            ? `Nothing is left to be done at ${view.job.siteName} on ${writtenDate(view.job.onDate)}.`
            : 'Every tree of this job was taken back. Nothing is to be done here.'}
        </p>
        <MovedNote moved={view.moved.away} timeZone={view.timeZone} />
      </>
    )
  const item = view.items.find((i) => i.id === tree.itemId)!
  const mates = matesOf(view.items, item)
  const bySun = isFromTank(item) || orderOf === 'sun'
  const works = worksOf(view.items)
  const ofItem = trees.filter((t) => t.itemId === item.id)
  const beside = (t: JobTree) => besides(trees, mates, t)
  const held = isOpen(tree) && tree.releasedAt === null ? item.onlyIf : null
  const { use } = item
  const bottle = isPoured(use)
    ? stockBottleFor(
        use,
        tree.plan.choice,
        ofItem.filter((t) => isOpen(t)),
        stock,
        view.units,
      )
    : null
  const press: Act = (presses) =>
    outside.press(asMeasured(withBesides(presses, beside), bottle?.ok ? bottle.value : null))
  const withMates = (own: readonly JobTree[]) => own.flatMap((t) => [t, ...beside(t)])
  const inTrees = trees.reduce((n, t) => n + t.steps.filter((s) => isIn(s.state)).length, 0)
  const hasPorts = trees.some((t) => portsOf(t).length > 0)
  const byRow = ofItem.length > 1 && !isByPorts(item) && may('mark-steps')
  const early = view.job.onDate > view.today
  const ahead = view.hours.filter((h) => h.time >= hourAt(view.timeZone, view.now))
  const shown = (p: Part) => (part === p ? '' : 'hand:hidden')
  const go = (t: JobTree) => goTo({ tree: t.id, part: 'tree' })
  const nextTree = ofItem.find((t) => t.id !== tree.id && isOpen(t) && !t.steps.every((s) => isOver(s.state)))
  const unbegun = ofItem.filter(
    (t) => isOpen(t) && t.confirmedAt === null && (item.onlyIf === null || t.releasedAt !== null),
  )
  const untouched = ofItem.filter((t) => isOpen(t) && !t.steps.some((s) => isBegun(s.state)))
  const here = refused && tree.steps.some((s) => refused.stepIds.includes(s.id))
  const elsewhere = refused && !here

  return (
    // Whatever comes to stand under the finger here rests first.
    <div data-rests className="spine:hand:pb-20">
      <JobHeading
        job={view.job}
        tree={tree}
        at={ofItem.indexOf(tree) + 1}
        of={ofItem.length}
        item={item}
        mates={mates}
        inTrees={hasPorts ? inTrees : null}
        prints={works.length > 0}
      />
      {view.job.siteNote && (
        <Note className={`mt-3 ${tree.confirmedAt === null ? '' : 'hand:hidden'}`}>{view.job.siteNote}</Note>
      )}
      {early && (
        <Note className="mt-3">
          This work is booked for {writtenDate(view.job.onDate)}, {fromToday(view.job.onDate, view.today)}.
        </Note>
      )}
      {elsewhere && <ProblemNote problem={refused.problem} />}
      <div className="no-print grid gap-x-8 gap-y-5 mt-3 lg:grid-cols-[210px_minmax(320px,1fr)_minmax(290px,350px)]">
        <section aria-label="Trees of this job" className={shown('trees')}>
          {ofItem.length > 2 && (
            <div className="mb-2">
              <Toggle
                label="In the order of"
                options={[
                  ['walk', 'the walk'],
                  ['tag', 'their tags'],
                  ...(bySun ? [['sun', 'the sun'] as const] : []),
                ]}
                value={orderOf}
                onChange={setOrderOf}
                className={`grid gap-2 ${bySun ? 'grid-cols-3' : 'grid-cols-2'}`}
              />
              {orderOf === 'sun' && (
                <p className="mt-1 text-small text-ink2">
                  East half first: in the morning it loses its shade first, in the evening it gets it first.
                </p>
              )}
            </div>
          )}
          {works.map((i) => (
            <div key={i.id} className="mb-4">
              {works.length > 1 && (
                <h2 className="text-base">
                  {i.block !== null && `${i.block}: `}
                  {METHOD_NAME[i.method]}, {namesOf([i, ...matesOf(view.items, i)])}
                </h2>
              )}
              <TreeChoice
                trees={trees.filter((t) => t.itemId === i.id)}
                halfOf={(t) => walk.get(t.id)?.half ?? null}
                chosen={tree.id}
                onChoose={go}
              />
            </div>
          ))}
        </section>
        <section aria-label={`Work on ${tree.tag}`} className={shown('tree')}>
          {tree.here && (
            <Note as="div" says="good" className="mb-3">
              {capital(tree.here.kind)} here at {clockTime(tree.here.at, view.timeZone)}, not yet in the
              ledger. It goes out by itself with the next signal.
            </Note>
          )}
          {tree.status === 'recorded' ? (
            <Note as="div" says="good" className="mb-3 flex flex-wrap items-center gap-3">
              Signed and recorded.{' '}
              {portsOf(tree).length > 0 &&
                `All ${portsOf(tree).filter((p) => p.outAt !== null).length} are out.`}
              {tree.recordId && <ButtonLink href={`/ledger/${tree.recordId}`}>Open the record →</ButtonLink>}
            </Note>
          ) : null}
          {isOpen(tree) && tree.anew && (
            <Note says="stop" className="mb-3">
              {ANEW[tree.anew]} Begin nothing; hand it back to the arborist.
            </Note>
          )}
          {isOpen(tree) && saySeen(tree.seen) !== '' && (
            <p className="text-small text-ink2 mb-2 hand:hidden">
              Seen when it was begun: {saySeen(tree.seen)}.
            </p>
          )}
          {held ? (
            <ReleaseLine key={tree.id} tree={tree} onlyIf={held} onReleased={() => void work.refresh()} />
          ) : isByPorts(item) ? (
            isOpen(tree) && tree.confirmedAt === null && may('confirm-tree') ? (
              <ConfirmTree
                key={tree.id}
                tree={tree}
                trees={trees}
                item={item}
                soil={view.weather?.soil ?? null}
                units={view.units}
                onConfirmed={() => void work.refresh()}
              />
            ) : (
              <PortWork
                key={tree.id}
                tree={tree}
                item={item}
                units={view.units}
                today={view.today}
                onAct={outside.press}
                resting={work.resting}
                onFinish={() => goTo({ part: 'finish' })}
              />
            )
          ) : (
            <>
              {isFromTank(item) && (
                <div className="mb-4 max-w-xl">
                  <TankLoads
                    {...tankOf(
                      trees.filter((t) => isOpen(t)),
                      [item, ...mates],
                    )}
                    units={view.units}
                  />
                </div>
              )}
              {isOfMesh(item) && isOpen(tree) && (
                <div className="mb-4 max-w-xl">
                  <CutListPanel trees={ofItem.filter((t) => isOpen(t))} units={view.units} />
                </div>
              )}
              {bottle && isPoured(use) && isOpen(tree) && (
                <div className="mb-4 max-w-xl">
                  <StockBottlePanel
                    bottle={bottle}
                    typed={stock}
                    onTyped={setStock}
                    basis={use.terms.basis}
                    tree={tree}
                    units={view.units}
                  />
                </div>
              )}
              {unbegun.length > 0 && may('begin-work') && (
                <BeginWork
                  key={item.id}
                  items={[item, ...mates]}
                  trees={unbegun}
                  ids={withMates(unbegun).map((t) => t.id)}
                  soil={view.weather?.soil ?? null}
                  onBegun={() => void work.refresh()}
                />
              )}
              <TaskWork
                key={tree.id}
                tree={tree}
                item={item}
                besides={beside(tree).map((t) => ({
                  gets: t.gets,
                  name: mates.find((m) => m.id === t.itemId)!.product.name,
                }))}
                units={view.units}
                onAct={press}
                resting={work.resting}
                onNext={
                  nextTree
                    ? { say: `On to ${nextTree.tag}`, go: () => go(nextTree) }
                    : { say: 'Finish and sign', go: () => goTo({ part: 'finish' }) }
                }
              />
            </>
          )}
          {here && <ProblemNote problem={refused.problem} />}
          {tree.confirmedAt !== null && may('mark-step') && isOpen(tree) && (
            <WorkPhotos key={`photos ${tree.id}`} tree={tree} task={null} />
          )}
          <ThisPlace
            view={view}
            item={item}
            early={early}
            ahead={isOpen(tree) && !early ? ahead : null}
            minutes={ofItem.reduce((n, t) => n + (isOpen(t) ? t.plan.minutes : 0), 0)}
          />
          {may('move-day') && untouched.length > 0 && (
            <OnceOpened key={`move ${tree.id} ${item.id}`} say="Move to another day">
              <MoveDay
                today={view.today}
                tree={tree}
                rest={untouched}
                withIt={(t) => withMates([t]).map((x) => x.id)}
                onMoved={() => void work.refresh()}
              />
            </OnceOpened>
          )}
          {may('hand-back') && untouched.length > 0 && (
            <OnceOpened key={`${tree.id} ${item.id}`} say="Hand back to the arborist">
              <HandBack
                tree={tree}
                rest={untouched}
                withIt={(t) => withMates([t]).map((x) => x.id)}
                onBack={() => void work.refresh()}
              />
            </OnceOpened>
          )}
        </section>
        <div className="grid gap-6 content-start">
          {hasPorts && (
            <section aria-label="Ports in trees" className={shown('board')}>
              <Board trees={trees} now={now} onAct={outside.press} resting={work.resting} />
            </section>
          )}
          {byRow && (
            <section aria-label="All trees at once" className={shown('row')}>
              <WholeRow key={item.id} item={item} trees={ofItem} units={view.units} onAct={press} />
            </section>
          )}
          <section aria-label="Finish" className={shown('finish')}>
            {isOpen(tree) ? (
              <SignRecord
                key={isByPorts(item) ? tree.id : item.id}
                view={view}
                item={item}
                trees={isByPorts(item) ? [tree] : ofItem.filter((t) => isOpen(t))}
                mates={mates}
                beside={beside}
                sending={work.waiting.length > 0 && !work.outOfReach}
              />
            ) : (
              <p className="text-ink2">Choose a tree that is still open to finish it.</p>
            )}
          </section>
          {may('mark-step') && (
            <section aria-label="The last press" className={shown('back')}>
              <TakeBack
                lastOf={work.last}
                trees={trees}
                items={view.items}
                timeZone={view.timeZone}
                onAct={act}
              />
            </section>
          )}
        </div>
      </div>
      <JobSheet view={view} works={works} trees={trees} />
      {outside.asking && (
        <OutsidePress
          outside={outside.asking}
          use={item.use}
          actives={item.product.actives}
          forecast={ahead}
          onGoOn={outside.goOn}
          onStop={outside.stop}
        />
      )}
      <PartsBar
        parts={[
          ['trees', 'Trees'],
          ['tree', 'This tree'],
          ...(byRow ? [['row', 'All at once'] as const] : []),
          ...(hasPorts ? [['board', `In trees ${inTrees}`] as const] : []),
          ...(may('mark-step') ? [['back', 'Take back'] as const] : []),
          ['finish', 'Finish'],
        ]}
        shown={part}
        onShow={(p) => goTo({ part: p })}
      />
    </div>
  )
}
