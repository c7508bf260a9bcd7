import { chromium } from '@playwright/test'
import postgres from 'postgres'

const PINS = 2000
const SECONDS = 4

/** Frames a second while the ribbon of a site with two thousand pins is moved: dragged, and by keys. */
async function main() {
  const sql = postgres(process.env.DATABASE_OWNER_URL!, { max: 1, onnotice: () => {} })
  const [one] = await sql<{ firm: string; site: string; id: string }[]>`
    select a.firm_id as firm, a.site_id as site, a.id from application a join site s on s.firm_id = a.firm_id and s.id = a.site_id
    where s.name like 'Quarrel Bank%' limit 1`
  if (!one) throw new Error('The demo has no work at the orchard.')
  // The work of the demo again and again, over the year up to its day; of no job, so the tables are not asked.
  await sql`set session_replication_role = replica`
  await sql`
    with copies as (
      insert into application (firm_id, id, job_id, site_id, method, card_use_id, lot, started_at, ended_at, signed_at, signed_by)
      select a.firm_id, gen_random_uuid(), a.job_id, a.site_id, a.method, a.card_use_id, a.lot,
        '2026-01-02T15:00:00Z'::timestamptz + n * interval '115 minutes', '2026-01-02T16:00:00Z'::timestamptz + n * interval '115 minutes', a.signed_at, a.signed_by
      from application a, generate_series(1, ${PINS}) n where a.id = ${one.id} returning firm_id, id)
    insert into application_subject (firm_id, application_id, subject_id, job_subject_id, tree_id, site_id, on_date, amount, outcome)
    select c.firm_id, c.id, s.subject_id, gen_random_uuid(), s.tree_id, s.site_id, s.on_date, s.amount, s.outcome
    from copies c cross join lateral (select * from application_subject s where s.firm_id = c.firm_id and s.application_id = ${one.id} limit 1) s`
  await sql.end()

  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM,
    args: ['--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
  })
  const page = await browser.newPage({
    baseURL: process.env.BASE_URL,
    viewport: { width: 1280, height: 800 },
  })
  await page.request.post('/api/sign-in', {
    data: { email: 'maren@hollinquay.example', password: 'rowan-and-lens' },
    headers: { origin: new URL(process.env.BASE_URL!).origin },
  })
  await page.goto(`/grounds/${one.site}/season`)
  await page.getByRole('radio', { name: 'Fortnight' }).waitFor({ state: 'attached' })
  await page.getByText('Fortnight', { exact: true }).click()
  const ribbon = page.getByRole('slider')
  const box = (await ribbon.boundingBox())!
  const middle = { x: box.x + box.width * 0.6, y: box.y + 60 }
  /** Frames while something moves. */
  const framesWhile = async (move: (end: number) => Promise<void>) => {
    // As text: what bundles this file adds names that the page does not know.
    await page.evaluate(`{
      window.frames_ = []
      window.framing_ = true
      requestAnimationFrame(function step(at) {
        window.frames_.push(at)
        if (window.framing_) requestAnimationFrame(step)
      })
    }`)
    await move(Date.now() + SECONDS * 1000)
    const frames = await page.evaluate<number[]>('window.framing_ = false, window.frames_')
    const gaps = frames.slice(1).map((at, i) => at - frames[i]!)
    const sorted = [...gaps].sort((a, b) => a - b)
    const seconds = (frames.at(-1)! - frames[0]!) / 1000
    return `${(gaps.length / seconds).toFixed(0)} frames a second, a frame ${sorted[Math.floor(gaps.length / 2)]!.toFixed(1)} ms at p50, ${sorted[Math.floor(gaps.length * 0.95)]!.toFixed(1)} ms at p95`
  }
  const pins = await page.evaluate(() => document.querySelectorAll('svg [class*="fill-moss"]').length)
  console.log(`\nribbon with ${PINS} pins of work done (${pins} signs drawn in the fortnight):`)
  console.log(
    `  dragged: ${await framesWhile(async (end) => {
      let i = 0
      while (Date.now() < end) {
        await page.mouse.move(middle.x, middle.y)
        await page.mouse.down()
        for (let k = 0; k < 40 && Date.now() < end; k++, i++)
          await page.mouse.move(middle.x + (i % 80 < 40 ? k : 40 - k) * 8, middle.y)
        await page.mouse.up()
      }
    })}`,
  )
  await ribbon.focus()
  console.log(
    `  by keys: ${await framesWhile(async (end) => {
      while (Date.now() < end) await page.keyboard.press('ArrowLeft')
    })}`,
  )
  await browser.close()
}
void main()
