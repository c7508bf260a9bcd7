import { Measure, Sketch, Word } from './pieces'

/** The year's allowance as one bar: done, now, left. */
export function CapDrawing() {
  return (
    <Sketch says="The allowance of an area in a year: what was applied, what today’s trees take, what is left.">
      <rect x="20" y="64" width="260" height="34" className="fill-paper stroke-ink" strokeWidth="1.6" />
      <rect x="20" y="64" width="86" height="34" className="fill-bark" />
      {[106, 140, 186, 222].map((x, i) => (
        <rect
          key={x}
          x={x}
          y="64"
          width={[34, 46, 36, 24][i]}
          height="34"
          className="fill-moss-soft stroke-moss"
          strokeWidth="1.4"
        />
      ))}
      <Measure from={[20, 50]} to={[280, 50]} name="limit × area" side={-7} />
      <Word x={62} y={120} anchor="middle">
        applied this year
      </Word>
      <Word x={178} y={120} anchor="middle">
        trees treated now
      </Word>
      <Word x={263} y={120} anchor="middle">
        left
      </Word>
    </Sketch>
  )
}

/** Two things there is only so much of, and the trees that share them. */
export function ShareDrawing() {
  const bar = (y: number, widths: readonly number[]) => (
    <>
      <rect x="20" y={y} width="260" height="26" className="fill-paper stroke-ink" strokeWidth="1.6" />
      {widths.map((width, i) => (
        <rect
          key={i}
          x={20 + widths.slice(0, i).reduce((s, w) => s + w, 0)}
          y={y}
          width={width}
          height="26"
          className={i % 2 === 0 ? 'fill-moss-soft stroke-moss' : 'fill-water-soft stroke-water'}
          strokeWidth="1.4"
        />
      ))}
    </>
  )
  return (
    <Sketch says="What is left of the limit and the minutes there are, each shared among the trees by the way each is worked.">
      <Word x={20} y={30}>
        left of the limit
      </Word>
      {bar(38, [70, 8, 46, 40, 60])}
      <Word x={20} y={96}>
        minutes of work
      </Word>
      {bar(104, [28, 96, 20, 22, 30])}
      <Word x={20} y={150}>
        green drenched: much limit, few minutes;
      </Word>
      <Word x={20} y={164}>
        blue injected: little limit, many minutes
      </Word>
    </Sketch>
  )
}

const wave = (x: number) => 92 - 40 * Math.sin(((x - 20) / 130) * 2 * Math.PI)
const points = Array.from({ length: 131 }, (_, i) => 20 + i * 2)

/** Two days of temperature over the base and under the cut-off. */
export function DegreeDayDrawing() {
  const line = points.map((x) => `${x},${wave(x).toFixed(1)}`).join('L')
  const between = points.map((x) => `${x},${Math.max(62, Math.min(100, wave(x))).toFixed(1)}`).join('L')
  return (
    <Sketch says="The warmth of a day is the area of its temperature curve above the base and below the upper cut-off.">
      <path d={`M20,100L${between}L280,100Z`} className="fill-straw-soft" />
      <path d={`M${line}`} className="stroke-rust" strokeWidth="2" fill="none" />
      <path d="M20,100H280" className="stroke-ink" strokeWidth="1.2" />
      <path d="M20,62H280" className="stroke-ink2" strokeDasharray="5 4" />
      <Word x={20} y={114}>
        base
      </Word>
      <Word x={280} y={46} anchor="end">
        upper cut-off
      </Word>
      <Word x={52} y={44} anchor="middle">
        highest
      </Word>
      <Word x={118} y={148} anchor="middle">
        lowest
      </Word>
      <Word x={52} y={86} anchor="middle">
        counts
      </Word>
    </Sketch>
  )
}

/** Hours in a row, and what a look ahead means. */
export function SprayHoursDrawing() {
  const shut: Record<number, string> = { 0: 'calm', 7: 'rain' }
  return (
    <Sketch says="Hours in a row; an hour closes when rain falls within the dry hours it needs.">
      {Array.from({ length: 8 }, (_, i) => {
        const closed = shut[i] ?? (i >= 5 && i < 7 ? 'rain' : null)
        return (
          <g key={i}>
            <rect
              x={14 + i * 34}
              y="56"
              width="32"
              height="44"
              className={closed ? 'fill-line2 stroke-ink2' : 'fill-moss-soft stroke-moss'}
              strokeWidth="1.4"
            />
            <Word x={30 + i * 34} y={82} anchor="middle">
              {closed ?? 'open'}
            </Word>
          </g>
        )
      })}
      <path d="M262,26l-4,12M270,26l-4,12M278,26l-4,12" className="stroke-water" strokeWidth="2" />
      <Word x={250} y={36} anchor="end">
        rain here
      </Word>
      <Measure from={[184, 114]} to={[252, 114]} />
      <Word x={218} y={130} anchor="middle">
        dry hours needed
      </Word>
      <Measure from={[48, 114]} to={[182, 114]} />
      <Word x={112} y={130} anchor="middle">
        best run
      </Word>
    </Sketch>
  )
}

/** Applications on a line of days. */
export function IntervalsDrawing() {
  return (
    <Sketch says="Past and planned applications on one line of days, with bloom and the harvest.">
      <rect x="96" y="58" width="60" height="44" className="fill-plum-soft" />
      <path d="M14,80H286" className="stroke-ink" strokeWidth="1.4" />
      <circle cx="46" cy="80" r="7" className="fill-ink" />
      <circle cx="88" cy="80" r="7" className="fill-paper stroke-rust" strokeWidth="2.4" />
      <circle cx="196" cy="80" r="7" className="fill-paper stroke-rust" strokeWidth="2.4" />
      <path d="M262,62v36" className="stroke-moss" strokeWidth="2.4" />
      <Word x={46} y={112} anchor="middle">
        done
      </Word>
      <Word x={88} y={126} anchor="middle">
        planned
      </Word>
      <Word x={126} y={52} anchor="middle">
        bloom
      </Word>
      <Word x={262} y={54} anchor="middle">
        harvest
      </Word>
      <Measure from={[46, 142]} to={[88, 142]} name="too soon" side={16} />
      <Measure from={[196, 142]} to={[262, 142]} name="days to harvest" side={16} />
    </Sketch>
  )
}

/** Two curves of survival. */
export function WorthDrawing() {
  return (
    <Sketch says="The chance to be alive falls slowly when treated and fast when left; a felled tree’s successor gives more each year.">
      <path d="M36,18V136H284" className="stroke-ink" strokeWidth="1.4" fill="none" />
      <path d="M36,26Q160,32 276,48" className="stroke-moss" strokeWidth="2.4" fill="none" />
      <path
        d="M36,26C90,34 96,122 180,130T276,134"
        className="stroke-plum"
        strokeWidth="2.4"
        fill="none"
        strokeDasharray="7 4"
      />
      <path
        d="M36,134Q180,126 276,96"
        className="stroke-bark"
        strokeWidth="2.4"
        fill="none"
        strokeDasharray="2 4"
      />
      <Word x={196} y={34}>
        alive if treated
      </Word>
      <Word x={112} y={76}>
        alive if left
      </Word>
      <Word x={196} y={92}>
        new tree’s share
      </Word>
      <Word x={160} y={154} anchor="middle">
        years
      </Word>
      <Word x={8} y={14}>
        chance
      </Word>
    </Sketch>
  )
}

/** Findings pull on causes. */
export function DiagnoseDrawing() {
  return (
    <Sketch says="Findings for a cause reach right of the middle line, findings against it left.">
      <path d="M150,20V150" className="stroke-ink" strokeWidth="1.4" />
      {[
        [40, 96, 10],
        [68, 40, 26],
        [96, 12, 64],
        [124, 6, 90],
      ].map(([y, plus, minus]) => (
        <g key={y}>
          <rect x="150" y={y! - 8} width={plus} height="16" className="fill-moss" />
          <rect x={150 - minus!} y={y! - 8} width={minus} height="16" className="fill-plum" />
        </g>
      ))}
      <Word x={156} y={26}>
        for
      </Word>
      <Word x={144} y={26} anchor="end">
        against
      </Word>
    </Sketch>
  )
}

export function GateDrawing() {
  return (
    <Sketch says="A way with bars across it: what closes it, and the first day on which each opens.">
      <path d="M20,110H280" className="stroke-line" strokeWidth="10" />
      <path d="M20,110H112" className="stroke-moss" strokeWidth="10" />
      {[
        [120, 'leaf'],
        [176, 'interval'],
        [232, 'bees'],
      ].map(([x, name], i) => (
        <g key={name}>
          <path
            d={i === 0 ? `M${x},84V136` : `M${x},84L${Number(x) + 22},64`}
            className={i === 0 ? 'stroke-rust' : 'stroke-moss'}
            strokeWidth="5"
            strokeLinecap="round"
          />
          <Word x={Number(x)} y={154} anchor="middle">
            {name}
          </Word>
        </g>
      ))}
      <Word x={24} y={92}>
        today
      </Word>
    </Sketch>
  )
}
