import type { Answer } from '@/calc/calculator'
import type { RingMark } from '@/core/ports/marks'
import { Ring } from '@/ui/ring/Ring'
import { rowsOf, type Typed } from '@/ui/fields/paths'
import { DrenchDrawing, InjectionDrawing, StockDrawing, TrunkDrawing } from './drawings/trunk'
import {
  BarkDrawing,
  FeedDrawing,
  GuardDrawing,
  SoilInjectionDrawing,
  SoilworkDrawing,
  SprayDrawing,
  WaterDrawing,
} from './drawings/ground'
import {
  CapDrawing,
  DegreeDayDrawing,
  DiagnoseDrawing,
  GateDrawing,
  IntervalsDrawing,
  ShareDrawing,
  SprayHoursDrawing,
  WorthDrawing,
} from './drawings/plan'
import { LoadoutDrawing, PriceDrawing, ResponseDrawing } from './drawings/office'
import type { UnitSystem } from '@/core/quantity/format'

const DRAWINGS: Record<string, (drawn: { units: UnitSystem }) => React.JSX.Element> = {
  trunk: TrunkDrawing,
  injection: InjectionDrawing,
  drench: DrenchDrawing,
  'soil-injection': SoilInjectionDrawing,
  bark: BarkDrawing,
  share: ShareDrawing,
  stock: StockDrawing,
  spray: SprayDrawing,
  feed: FeedDrawing,
  soilwork: SoilworkDrawing,
  water: WaterDrawing,
  guard: GuardDrawing,
  cap: CapDrawing,
  'degree-days': DegreeDayDrawing,
  'spray-hours': SprayHoursDrawing,
  intervals: IntervalsDrawing,
  worth: WorthDrawing,
  price: PriceDrawing,
  loadout: LoadoutDrawing,
  response: ResponseDrawing,
  gate: GateDrawing,
  diagnose: DiagnoseDrawing,
}

/** The small drawing that makes the input clear; for the ports the ring itself, with what was typed on it. */
export function Drawing({
  name,
  typed,
  answer,
  units,
}: {
  name: string
  typed: Typed
  answer: Answer | null
  units: UnitSystem
}) {
  if (name === 'ports') return <PortsDrawing typed={typed} answer={answer} />
  const Own = DRAWINGS[name]
  return Own ? <Own units={units} /> : null
}

function PortsDrawing({ typed, answer }: { typed: Typed; answer: Answer | null }) {
  const number = (path: string) => {
    const n = Number(typed[path])
    return typed[path] && n >= 0 && n <= 360 ? n : null
  }
  const marks: RingMark[] = []
  const notedOn = ''
  const add = (kind: RingMark['kind'], from: number | null, to: number | null, severity?: number | null) => {
    if (from !== null && to !== null) marks.push({ kind, from, to, severity, notedOn })
  }
  for (const i of rowsOf(typed, 'flares')) {
    const [b, half] = [number(`flares[${i}].bearing`), number(`flares[${i}].halfWidth`)]
    if (b !== null && half !== null) add('flare', (b - half + 360) % 360, (b + half) % 360)
  }
  for (const i of rowsOf(typed, 'exclusions'))
    add('dead', number(`exclusions[${i}].from`), number(`exclusions[${i}].to`))
  for (const i of rowsOf(typed, 'thinSectors'))
    add(
      'thin',
      number(`thinSectors[${i}].from`),
      number(`thinSectors[${i}].to`),
      Math.min(1, number(`thinSectors[${i}].severity`) ?? 0),
    )
  const holes = rowsOf(typed, 'earlierHoles').flatMap((i) => {
    const bearing = number(`earlierHoles[${i}].bearing`)
    return bearing === null ? [] : [{ bearings: [bearing], years: number(`earlierHoles[${i}].years`) ?? 0 }]
  })
  const ports = ((answer?.['ports'] as { bearing: number }[] | undefined) ?? []).map((p, i) => ({
    bearing: p.bearing,
    number: i + 1,
  }))
  return (
    <Ring
      marks={marks}
      holes={holes}
      ports={ports}
      label={`The trunk from above with ${ports.length} ports; bearings run clockwise from north`}
      className="w-full max-w-[340px]"
    />
  )
}
