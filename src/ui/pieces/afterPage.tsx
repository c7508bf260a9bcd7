'use client'
import { Component, lazy, Suspense, type ComponentType, type ReactNode } from 'react'
import { useAlive } from '../fields/useAlive'
import { Button } from './Button'

/** How long the page has the line to itself where the browser cannot say when it rests, ms. */
const REST_MS = 200

/**
 * What a page is made of, where that is much: the server draws it, its script is fetched beside the frame’s, and it takes presses once both
 * are there; whoever comes from another page stays there until then. It has no boundary of its own: one would show nothing meanwhile. For
 * what pages themselves draw, never for what a press opens. `make` asks for it, and once more where it did not come.
 *
 * @example export const Lots = withPage(() => dynamic(() => import('./Lots').then((m) => m.Lots)))
 */
export function withPage<Props extends object>(make: () => ComponentType<Props>): ComponentType<Props> {
  let Part = make()
  return function WithPage(props: Props) {
    return (
      <Fetched again={() => (Part = make())}>
        {() => (
          <OnceAlive>
            <Part {...props} />
          </OnceAlive>
        )}
      </Fetched>
    )
  }
}

/** What the server drew takes no press before it can answer one. */
export function OnceAlive({ children }: { children: ReactNode }) {
  return (
    <div className="contents" inert={!useAlive()}>
      {children}
    </div>
  )
}

/**
 * What opens on a press. Its script comes once the page rests, so that the press finds it there although the signal went meanwhile; where
 * it did not come, that is said in its place, with a way to fetch it again.
 *
 * @example const CrewForm = afterPage(() => import('./CrewForm'), 'CrewForm')
 */
export function afterPage<Module extends Record<Name, ComponentType<never>>, Name extends string>(
  load: () => Promise<Module>,
  name: Name,
): Module[Name] {
  type Props = Record<string, unknown>
  if (typeof window !== 'undefined') whenAtRest(() => void load().catch(() => {}))
  const make = () =>
    lazy(async () => {
      const Opened = (await load())[name] as unknown as ComponentType<Props>
      return {
        default: (props: Props) => (
          <OnceAlive>
            <Opened {...props} />
          </OnceAlive>
        ),
      }
    })
  let Part = make()
  function AfterPage(props: Props) {
    return (
      <Fetched again={() => (Part = make())}>
        {() => (
          <Suspense>
            <Part {...props} />
          </Suspense>
        )}
      </Fetched>
    )
  }
  return AfterPage as unknown as Module[Name]
}

function whenAtRest(then: () => void): void {
  if ('requestIdleCallback' in window) window.requestIdleCallback(then)
  else setTimeout(then, REST_MS)
}

/** True of what is thrown where a script did not come, in the words of the browsers and of the bundler. */
function isNotFetched({ name, message }: Error): boolean {
  return name === 'ChunkLoadError' || /(load|fetch|import).*(chunk|module)|module script/i.test(message)
}

class Fetched extends Component<{ again: () => void; children: () => ReactNode }, { failed: Error | null }> {
  override state: { failed: Error | null } = { failed: null }
  static getDerivedStateFromError(failed: unknown) {
    return { failed: failed instanceof Error ? failed : new Error(String(failed)) }
  }
  override render() {
    const { failed } = this.state
    if (failed === null) return this.props.children()
    // Anything else is the page's to say.
    if (!isNotFetched(failed)) throw failed
    return (
      <p role="alert" className="flex flex-wrap items-center gap-3">
        This part did not come: there is no connection. What is typed elsewhere stays.
        <Button
          onClick={() => {
            this.props.again()
            this.setState({ failed: null })
          }}
        >
          Fetch it again
        </Button>
      </p>
    )
  }
}
