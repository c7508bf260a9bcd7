import { chromium } from '@playwright/test'
import { CARDS, useOf } from '../demo/cards'

/** The whole plan of a tree in the real page's worker: dose, 360 bearings, uptake, working. */
async function main() {
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM,
    args: [
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
    ],
  })
  const page = await browser.newPage({ baseURL: process.env.BASE_URL })
  await page.request.post('/api/sign-in', {
    data: { email: 'maren@hollinquay.example', password: 'rowan-and-lens' },
  })
  const found = (await (await page.request.get('/api/find?text=Ash%2016')).json()) as {
    value: { id: string }[]
  }
  const worker = page.waitForEvent('worker')
  await page.goto(`/trees/${found.value[0]!.id}/prescribe`)
  const url = (await worker).url()
  const inch = 0.0254
  const flare = (bearing: number) => ({
    kind: 'flare',
    from: (bearing + 336) % 360,
    to: (bearing + 24) % 360,
    notedOn: '2026-06-12',
  })
  const input = {
    diameter: (110 / Math.PI) * inch,
    breastGirth: 110 * inch,
    portGirth: 144 * inch,
    choice: 0,
    use: useOf(CARDS[0]!.card, 'trunk-injection'),
    host: 'ash',
    wood: 'ring-porous',
    marks: [10, 75, 140, 205, 280].map(flare),
    holes: [{ bearing: 10, drilledOn: '2025-06-01' }],
    today: '2026-06-12',
    soil: 'moist',
    temperature: 21,
    units: 'us',
    sources: { reading: '', label: '', weather: '' },
  }
  const answer = await page.evaluate(
    ({ url, input }) =>
      new Promise<{ ports: number; times: number[] }>((resolve) => {
        const w = new Worker(url)
        const times: number[] = []
        w.onmessage = (
          e: MessageEvent<{ ms: number; result: { value: { layout: { ports: unknown[] } } } }>,
        ) => {
          times.push(e.data.ms)
          if (times.length === 40) resolve({ ports: e.data.result.value.layout.ports.length, times })
          else w.postMessage({ id: 0, input })
        }
        w.postMessage({ id: 0, input })
      }),
    { url, input },
  )
  const sorted = [...answer.times].sort((a, b) => a - b)
  console.log(
    `\nplan in the browser's worker, 360 bearings, ${answer.ports} ports: first ${answer.times[0]!.toFixed(1)} ms, p50 ${sorted[20]!.toFixed(1)} ms, p95 ${sorted[38]!.toFixed(1)} ms`,
  )
  const drawn: number[] = []
  await page.goto('/reckon?for=worth')
  for (let i = 0; i < 9; i++) {
    await page.getByLabel('A visit costs').fill(String(150 + i))
    await page.getByRole('button', { name: 'Draw 10,000 lives' }).click()
    drawn.push(Number(await page.locator('section[data-ms]').getAttribute('data-ms')))
  }
  drawn.sort((a, b) => a - b)
  console.log(
    `10,000 drawn lives in the browser's worker, with progress: p50 ${drawn[4]!.toFixed(0)} ms, worst of 9 ${drawn[8]!.toFixed(0)} ms`,
  )
  await browser.close()
}
void main()
