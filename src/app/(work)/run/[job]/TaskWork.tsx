'use client'
import { useState } from 'react'
import { isTaskOver, putOn, type RunningTask } from '@/core/methods/task'
import { sayTask } from '@/core/methods/say'
import { showProduct } from '@/core/methods/showProduct'
import type { UnitSystem } from '@/core/quantity/format'
import { Field } from '@/ui/fields/Field'
import { LineField } from '@/ui/methods/LineField'
import { Button } from '@/ui/pieces/Button'
import { useMay } from '@/ui/shell/may'
import { isOpen, type Act, type JobItem, type JobStep, type JobTree } from './job'
import { WorkPhotos } from './WorkPhotos'

type Task = RunningTask & { step: JobStep }

/** What is done at one tree, in order, with its own numbers; one large button for what comes next. */
export function TaskWork({
  tree,
  item,
  besides,
  units,
  onAct,
  resting,
  onNext,
}: {
  tree: JobTree
  item: JobItem
  /** What else comes out of the same tank. */
  besides: { name: string; gets: string }[]
  units: UnitSystem
  onAct: Act
  /** Steps pressed a moment ago. */
  resting: ReadonlySet<string>
  /** On to the tree that is come to next, or to the signature. */
  onNext: { say: string; go: () => void } | null
}) {
  const may = useMay()
  /** The step that is said not to be done, as it stood; what was typed stays open until the step goes on. */
  const [giving, setGiving] = useState<string | null>(null)
  /** What is written at steps that ask for something, by step. */
  const [notes, setNotes] = useState<Record<string, string>>({})
  const open = tree.status === 'open' && tree.confirmedAt !== null && may('mark-step')
  const tasks = tree.steps.flatMap((step): Task[] =>
    step.state.kind === 'task' ? [{ ...step.state, step }] : [],
  )
  const next = tasks.find((t) => !isTaskOver(t))
  const said = (t: RunningTask) => sayTask(t.task, tree.plan, item.use, units)
  const act = (t: Task, command: Parameters<Act>[0][number]['command']) =>
    onAct([{ tree, step: t.step, command }])
  const left = tasks.filter((t) => !isTaskOver(t))
  // Where nothing is to be written down or waited for, one press does the tree; what is done otherwise is pressed step by step.
  const atOnce = open && left.length > 1 && left.every((t) => !t.note && !t.waits)

  return (
    <div className="max-w-xl">
      <p className="font-head font-bold text-figure leading-tight first-letter:uppercase">{tree.gets}</p>
      {besides.map((b) => (
        <p key={b.name} className="text-lead">
          With it, out of the same tank: <b>{b.gets}</b>, {b.name}
        </p>
      ))}
      {atOnce && (
        <div className="thumb desk:mt-3">
          <Button
            now
            className="hand-tall"
            disabled={left.some((t) => resting.has(t.step.id))}
            onClick={() => onAct(left.map((t) => ({ tree, step: t.step, command: { kind: 'do' } })))}
          >
            {sayAll(left.map((t) => said(t).name))}
          </Button>
        </div>
      )}
      <ol className="mt-3 border-t border-line" aria-label={`Steps at ${tree.tag}`}>
        {tasks.map((t) => {
          const { name, text, one, photo } = said(t)
          const over = isTaskOver(t)
          const now = t === next
          const here = `${t.step.id} ${t.done} ${t.givenUp ?? ''}`
          return (
            <li
              key={t.step.id}
              className={`border-b border-line py-3 pl-3 border-l-[3px] ${now ? 'border-l-rust' : over ? 'border-l-moss' : 'border-l-transparent'}`}
            >
              <div className="flex flex-wrap items-baseline justify-between gap-x-3">
                <h3 className="font-head font-bold text-lead">{name}</h3>
                <span className="text-small">{standing(t, one)}</span>
              </div>
              <p className={now ? 'text-lead' : ''}>{text}</p>
              {t.note && t.noted !== null && (
                <p className="text-small">
                  {t.note.label}: <b>{t.noted}</b>
                </p>
              )}
              {open && now && t.note && (
                <div className="mt-2 max-w-[320px]">
                  <LineField
                    line={t.note}
                    value={notes[t.step.id] ?? ''}
                    onValue={(value) => setNotes({ ...notes, [t.step.id]: value })}
                    units={units}
                    problem={null}
                  />
                </div>
              )}
              {t.givenUp !== null && (
                <p className="text-small text-plum">
                  Not done: {t.givenUp}
                  {t.product > 0 && t.left > 0
                    ? `; ${showProduct(putOn(t), tree.plan.kind, tree.plan.method, units)} went on`
                    : ''}
                </p>
              )}
              {open && now && (
                <div
                  className={
                    atOnce
                      ? 'flex flex-wrap gap-2 mt-2'
                      : 'thumb desk:flex desk:flex-wrap desk:gap-2 desk:mt-2'
                  }
                >
                  {t.times > 1 && t.done < t.times && (
                    <Button
                      className="hand-tall"
                      disabled={resting.has(t.step.id)}
                      onClick={() => act(t, { kind: 'do', times: 1 })}
                    >
                      One more {one ?? 'time'}, {t.done + 1} of {t.times}
                    </Button>
                  )}
                  <Button
                    now={!atOnce}
                    className="hand-tall grow"
                    disabled={
                      resting.has(t.step.id) ||
                      (t.note !== undefined && (notes[t.step.id] ?? '').trim() === '')
                    }
                    onClick={() =>
                      act(t, { kind: 'do', ...(t.note && { noted: (notes[t.step.id] ?? '').trim() }) })
                    }
                  >
                    {t.times > 1
                      ? t.done > 0
                        ? `The other ${t.times - t.done} too`
                        : `All ${t.times} done`
                      : `${name}: done`}
                  </Button>
                  <Button
                    className="hand-tall"
                    aria-expanded={giving === here}
                    onClick={() => setGiving(giving === here ? null : here)}
                  >
                    Not done
                  </Button>
                </div>
              )}
              {photo && tree.confirmedAt !== null && isOpen(tree) && (
                <WorkPhotos tree={tree} task={t.task} wanted={photo} />
              )}
              {open && giving === here && now && (
                <NotDone
                  task={t}
                  whole={showProduct(t.product - putOn(t), tree.plan.kind, tree.plan.method, units)}
                  onDone={(reason, left) => act(t, { kind: 'give-up', reason, left })}
                />
              )}
              {open && (t.done > 0 || t.givenUp !== null) && (
                <button
                  type="button"
                  className="underline underline-offset-2 min-h-12 desk:min-h-[32px] text-small"
                  disabled={resting.has(t.step.id)}
                  onClick={() => act(t, { kind: 'undo' })}
                >
                  Take the last press on “{name}” back
                </button>
              )}
            </li>
          )
        })}
      </ol>
      {!next && tree.status === 'open' && (
        <div className="mt-3">
          <p className="font-head font-bold text-title">{tree.tag} is done</p>
          {onNext && (
            <div className="thumb desk:mt-2">
              <Button now className="hand-tall" onClick={onNext.go}>
                {onNext.say} →
              </Button>
            </div>
          )}
        </div>
      )}
    </div>
  )
}

/** Steps in one button: their names where they are few and short, else how many they are. */
function sayAll(names: readonly string[]): string {
  const listed = names.join(', ')
  return listed.length <= 34 ? `${listed}: done` : `All ${names.length} steps: done`
}

function standing(t: RunningTask, one = 'done'): string {
  if (t.givenUp !== null) return 'not done'
  if (t.times > 1) return `${t.done} of ${t.times} ${one}${t.times === 1 || one === 'done' ? '' : 's'}`
  return isTaskOver(t) ? 'done' : 'to do'
}

const REASONS = ['rain came', 'people or animals too near', 'the ground would not take it', 'not needed']

function NotDone({
  task,
  whole,
  onDone,
}: {
  task: RunningTask
  /** All that is left of it, as it would be typed. */
  whole: string
  onDone: (reason: string, left: string) => void
}) {
  const [reason, setReason] = useState('')
  const [left, setLeft] = useState(whole)
  return (
    <div className="border border-line bg-sheet p-3 mt-2 grid gap-2">
      <Field
        label="Why it is not done"
        list="not-done"
        value={reason}
        onChange={(e) => setReason(e.target.value)}
      />
      <datalist id="not-done">
        {REASONS.map((r) => (
          <option key={r} value={r} />
        ))}
      </datalist>
      {task.product > 0 && (
        <Field label="Of the product, what is left" value={left} onChange={(e) => setLeft(e.target.value)} />
      )}
      <Button disabled={reason.trim() === ''} onClick={() => onDone(reason, task.product > 0 ? left : '0')}>
        It is not done
      </Button>
    </div>
  )
}
