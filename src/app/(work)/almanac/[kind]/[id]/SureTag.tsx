import { SURENESS, type Sure, type Sureness } from '@/almanac/sureness'

const LOOK: Record<Sureness, string> = { 'well known': 'tag-moss', regional: '', 'house guess': 'tag-straw' }

/** How sure the figures beside it are; all of them with their reasons stand at the foot of the page. */
export function SureTag({ of }: { of: keyof typeof SURENESS }) {
  const { how, why }: Sure = SURENESS[of]
  return (
    <span className={`tag ${LOOK[how]} font-text font-normal`} title={why}>
      {how}
    </span>
  )
}

/** What each kind of figure on a page rests on, in words. */
export function HowSure({ of }: { of: readonly (keyof typeof SURENESS)[] }) {
  return (
    <section className="mt-5 max-w-3xl">
      <h2 className="border-b border-ink2 pb-1">How sure this is</h2>
      <dl>
        {of.map((kind) => (
          <div
            key={kind}
            className="grid sm:grid-cols-[210px_minmax(0,1fr)] gap-x-3 py-1 border-b border-line2"
          >
            <dt>
              {WORD[kind]} <SureTag of={kind} />
            </dt>
            <dd className="text-ink2">{SURENESS[kind].why}</dd>
          </div>
        ))}
      </dl>
    </section>
  )
}

const WORD: Record<keyof typeof SURENESS, string> = {
  signs: 'Signs',
  often: 'How often',
  months: 'Months',
  degreeDays: 'Degree days',
  negative: 'A negative',
  answerDays: 'Days of a test',
  ways: 'Ways',
  lookAgain: 'When to look',
}
