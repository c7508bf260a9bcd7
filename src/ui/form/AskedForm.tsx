'use client'
import { zodResolver } from '@hookform/resolvers/zod'
import {
  createContext,
  useCallback,
  useEffect,
  useContext,
  useLayoutEffect,
  useMemo,
  useRef,
  useState,
  type ReactNode,
} from 'react'
import { FormProvider, useForm, useFormContext, type DefaultValues, type FieldErrors } from 'react-hook-form'
import type { z } from 'zod'
import { fieldOf, ok, type Problem, type Result } from '@/core/problem'
import { Button } from '../pieces/Button'
import { Doubt } from '../fields/Doubt'
import { ProblemNote } from '../fields/ProblemNote'
import type { SentProblem } from '../fields/useVerb'

/** What a form sends by: a step of the job, see `useStep`, or a door of its own, see `useDoor`. */
export interface Sending<Answer> {
  send: (input: Record<string, unknown>) => Promise<Answer | null>
  busy: boolean
  problem: SentProblem | null
  renew: () => void
  /** Takes away what was said of what was typed. */
  clear: () => void
  /** The id that is made on sending. */
  makes?: string
}

interface Asking {
  schema: z.ZodObject
  busy: boolean
  /** Sends what is typed, with `also` in place of it. */
  sendWith: (also: Values) => void
  problem: SentProblem | null
  /** A field says that it is drawn, and takes it back when it goes. */
  drawn: (path: string) => () => void
}

type Values = Record<string, unknown>

/** Which doubts were answered, and what was typed then. */
const NOTHING_ANSWERED: { of: string; doubts: readonly string[] } = { of: '', doubts: [] }

const Here = createContext<Asking | null>(null)

/** What a field of the form needs of it. */
export function useAsking(): Asking {
  const here = useContext(Here)
  if (!here) throw new Error('A field stands in a form.')
  return here
}

/** True where a refusal of `field` belongs beside the input at `path`: itself, or a part of what is typed there. */
export function isAt(field: string, path: string): boolean {
  const dotted = field.replace(/\[(\d+)\]/g, '.$1')
  return dotted === path || dotted.startsWith(`${path}.`)
}

/**
 * A form made of what a step asks for: the schema that the server checks by says what its fields are called and how they are typed,
 * checks them before anything is sent, and each field that is drawn tells its own refusals beside it; what is refused of no field that
 * is drawn is told at the end. Nothing typed is lost by a refusal. A doubt is asked with its ways out.
 */
export function AskedForm<S extends z.ZodObject, Answer>({
  asks,
  start,
  fixed,
  sends,
  at,
  by,
  onDone,
  again = false,
  keep,
  keeping = 'Saving',
  onLeave,
  leave = 'Leave it',
  ready = true,
  quiet = false,
  tall = false,
  more,
  doubtKept,
  waysOut,
  inline = false,
  className = inline ? 'flex flex-wrap items-end gap-x-3 gap-y-2' : 'grid gap-3',
  children,
}: {
  asks: S
  /** What stands in it at first. */
  start: Partial<Record<keyof z.input<S>, unknown>>
  /** What is sent along and not typed. */
  fixed?: Values
  /** What is typed as the step takes it, where that is another shape; what cannot be read is refused here. */
  sends?: (typed: Values) => Result<Values>
  /** Where a field of the step stands in this form, where that is elsewhere. */
  at?: (field: string) => string
  by: Sending<Answer>
  /** What follows once it is kept, with what was typed and what another button said instead. */
  onDone: (answer: Answer, typed: Values) => void
  /** It stands there for the next one: it is empty again once one is kept. */
  again?: boolean
  /** On the button; there is none where this person may not. */
  keep: string | null
  keeping?: string
  onLeave?: () => void
  leave?: string
  /** It may not be pressed yet. */
  ready?: boolean
  /** The button is not what the page is for. */
  quiet?: boolean
  /** The button is for a thumb. */
  tall?: boolean
  /** Beside the button. */
  more?: ReactNode
  /** On the button that keeps what is doubted, by its name. */
  doubtKept?: (doubt: string) => string
  /** Other ways out of a doubt, by its name. */
  waysOut?: (doubt: string) => ReactNode
  /** Fields and button stand in one line. */
  inline?: boolean
  className?: string
  children: ReactNode
}) {
  const form = useForm<Values>({
    defaultValues: start as DefaultValues<Values>,
    // What is sent along is the server's to check.
    resolver: zodResolver(
      useMemo(
        () => withoutKeys(asks, { ...fixed, ...(by.makes && { [by.makes]: true }) }),
        [asks, fixed, by.makes],
      ) as never,
      undefined,
      { raw: true },
    ),
  })
  /** How often a field is drawn, by its path. */
  const [fields, setFields] = useState<ReadonlyMap<string, number>>(new Map())
  /** The doubts that were answered, of exactly what was typed then. */
  const accepted = useRef(NOTHING_ANSWERED)
  const [misread, setMisread] = useState<Problem | null>(null)
  const refused = by.problem && at ? { ...by.problem, field: at(by.problem.field) } : by.problem
  const problem = misread ?? refused

  // What was asked holds for exactly what was typed then.
  const { clear } = by
  const { subscribe } = form
  const isDoubt = by.problem?.code === 'doubt'
  useEffect(
    () =>
      subscribe({
        formState: { values: true },
        callback: () => {
          setMisread(null)
          if (isDoubt) clear()
        },
      }),
    [subscribe, clear, isDoubt],
  )

  async function send(values: Values, also: Values = {}) {
    // Enter in a field sends it too.
    if (keep === null || !ready) return
    const read = sends?.(values) ?? ok(values)
    setMisread(read.ok ? null : read.problem)
    if (!read.ok) return
    const of = JSON.stringify(read.value)
    if (accepted.current.of !== of) accepted.current = { of, doubts: [] }
    const { doubts } = accepted.current
    const answer = await by.send({
      ...fixed,
      ...read.value,
      ...also,
      ...(doubts.length > 0 && { accepted: doubts }),
    })
    if (answer === null) return
    accepted.current = NOTHING_ANSWERED
    if (again) form.reset()
    onDone(answer, { ...values, ...also })
  }
  const sendAgain = () => void form.handleSubmit((values) => send(values))()
  const sendWith = (also: Values) => void form.handleSubmit((values) => send(values, also))()

  const drawn = useCallback((path: string) => {
    const count = (by: number) => setFields((all) => new Map(all).set(path, (all.get(path) ?? 0) + by))
    count(1)
    return () => count(-1)
  }, [])
  const asking: Asking = { schema: asks, busy: by.busy, problem, drawn, sendWith }
  const isDrawn = (field: string) => [...fields].some(([path, times]) => times > 0 && isAt(field, path))
  const own = firstNotDrawn(form.formState.errors, isDrawn)
  const rest =
    problem && problem.code !== 'doubt' && !(isDrawn(problem.field) && !problem.stands) ? problem : own
  const told = (
    <>
      <Doubt
        problem={problem}
        busy={by.busy}
        keep={problem ? doubtKept?.(problem.field) : undefined}
        onKeep={(doubt) => {
          accepted.current = { ...accepted.current, doubts: [...accepted.current.doubts, doubt] }
          sendAgain()
        }}
      >
        {problem && waysOut?.(problem.field)}
      </Doubt>
      <ProblemNote
        problem={rest}
        onAnew={() => {
          by.renew()
          sendAgain()
        }}
      />
    </>
  )

  return (
    <FormProvider {...form}>
      <Here.Provider value={asking}>
        <form
          className={className}
          noValidate
          onSubmit={(e) => {
            // A press on the form itself is asked anew, unless the same press goes once more.
            if (!by.problem?.again) accepted.current = NOTHING_ANSWERED
            void form.handleSubmit((values) => send(values))(e)
          }}
        >
          {children}
          <div className={inline ? undefined : 'col-span-full'}>
            {!inline && told}
            <div className="flex flex-wrap gap-2 [[role=alert]:not(:empty)+&]:mt-3">
              {keep !== null && (
                <Button
                  type="submit"
                  now={!quiet}
                  className={tall ? 'hand-tall' : ''}
                  disabled={by.busy || !ready}
                >
                  {by.busy ? keeping : keep}
                </Button>
              )}
              {onLeave && (
                <Button quiet onClick={onLeave}>
                  {leave}
                </Button>
              )}
              {more}
            </div>
          </div>
          {inline && <div className="basis-full">{told}</div>}
        </form>
      </Here.Provider>
    </FormProvider>
  )
}

/** Another button of the form: it sends what is typed, with `also` in place of it. */
export function AskedAlso({ also, children }: { also: Values; children: ReactNode }) {
  const { busy, sendWith } = useAsking()
  return (
    <Button quiet disabled={busy} onClick={() => sendWith(also)}>
      {children}
    </Button>
  )
}

function withoutKeys(asks: z.ZodObject, keys: Values): z.ZodObject {
  const left = Object.keys(keys).filter((key) => key in asks.shape)
  return left.length === 0 ? asks : asks.omit(Object.fromEntries(left.map((key) => [key, true])) as never)
}

/** What the schema itself refuses of fields that are not drawn, so that it is said all the same. */
function firstNotDrawn(errors: FieldErrors, isDrawn: (field: string) => boolean): Problem | null {
  const told: { field: string; message: string }[] = []
  const walk = (value: unknown, path: (string | number)[]) => {
    if (typeof value !== 'object' || value === null) return
    const { message, type } = value as { message?: unknown; type?: unknown }
    if (typeof message === 'string' && typeof type === 'string') {
      told.push({ field: fieldOf(path), message })
      return
    }
    for (const [key, inner] of Object.entries(value))
      if (key !== 'ref') walk(inner, [...path, /^\d+$/.test(key) ? Number(key) : key])
  }
  walk(errors, [])
  const first = told.find(({ field }) => !isDrawn(field))
  return first ? { code: 'out-of-range', ...first } : null
}

/** Says of a field that it is drawn, and answers its refusal: by the schema, or by the server. */
export function useRefusal(path: string): string | null {
  const { problem, drawn } = useAsking()
  const { formState, getFieldState } = useFormContext()
  useLayoutEffect(() => drawn(path), [drawn, path])
  const own = getFieldState(path, formState).error
  if (own) return own.message ?? (own as { root?: { message?: string } }).root?.message ?? firstIn(own)
  return problem && problem.code !== 'doubt' && !problem.stands && isAt(problem.field, path)
    ? problem.message
    : null
}

function firstIn(error: object): string | null {
  for (const [key, value] of Object.entries(error)) {
    if (key === 'ref' || typeof value !== 'object' || value === null) continue
    const { message } = value as { message?: unknown }
    const found = typeof message === 'string' ? message : firstIn(value as object)
    if (found !== null) return found
  }
  return null
}
