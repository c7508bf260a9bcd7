import { Ground, Measure, Sketch, Stem, Word } from './pieces'
import { breastHeight, type UnitSystem } from '@/core/quantity/format'

const ring = (cx: number, cy: number, r: number) => (
  <>
    <circle cx={cx} cy={cy} r={r} className="fill-sapwood stroke-bark" strokeWidth="3" />
    <circle cx={cx} cy={cy} r={r * 0.55} className="fill-heartwood" />
  </>
)

/** Where the tape goes, and how far the root zone reaches. */
export function TrunkDrawing({ units }: { units: UnitSystem }) {
  return (
    <Sketch says="A plain tape round the stem at breast height, above the uphill ground; the root zone reaches out from the middle.">
      <path d="M10,132L290,152V170H10Z" className="fill-line2" />
      <path d="M10,132L290,152" className="stroke-bark" strokeWidth="1.6" />
      <Stem x={86} foot={139} top={8} half={17} />
      <path d="M67,62q19,8 38,0" className="stroke-rust" strokeWidth="3.2" fill="none" />
      <Word x={114} y={66}>
        girth: plain tape
      </Word>
      <Measure from={[56, 136]} to={[56, 64]} name={breastHeight(units)} side={-6} />
      <Word x={114} y={84}>
        above the uphill side
      </Word>
      <Measure from={[86, 158]} to={[262, 158]} name="root-zone radius" side={-6} />
      {ring(236, 52, 26)}
      <Measure from={[210, 52]} to={[262, 52]} />
      <Word x={236} y={96} anchor="middle">
        diameter
      </Word>
    </Sketch>
  )
}

/** Ports low in the flares; the girth taped there is larger than at breast height. */
export function InjectionDrawing() {
  return (
    <Sketch says="The girth is taped low over the flares, where the ports go; the diameter is taken at breast height.">
      <Ground />
      <Stem x={90} foot={150} top={8} half={19} />
      <path d="M70,44q20,7 40,0" className="stroke-ink2" strokeWidth="2" fill="none" strokeDasharray="4 3" />
      <Word x={118} y={48}>
        diameter, chest high
      </Word>
      <path d="M58,136q32,10 64,0" className="stroke-rust" strokeWidth="3" fill="none" />
      {[66, 82, 99, 115].map((x, i) => (
        <circle key={x} cx={x} cy={[137, 141, 141, 137][i]} r="3.4" className="fill-ink" />
      ))}
      <Word x={134} y={132}>
        girth at the ports
      </Word>
      {ring(244, 92, 30)}
      {Array.from({ length: 8 }, (_, i) => {
        const a = (i / 8) * 2 * Math.PI
        return (
          <circle
            key={i}
            cx={244 + 25 * Math.sin(a)}
            cy={92 - 25 * Math.cos(a)}
            r="3.2"
            className="fill-ink"
          />
        )
      })}
      <path d="M244,56A36,36 0 0 1 269.5,66.5" className="stroke-rust" strokeWidth="2" fill="none" />
      <Word x={292} y={52} anchor="end">
        spacing
      </Word>
    </Sketch>
  )
}

/** Product and water poured into a basin close to the trunk. */
export function DrenchDrawing() {
  return (
    <Sketch says="Product in its water, poured evenly into a shallow basin within a foot and a half of the trunk, mulch pulled back.">
      <path d="M10,140H70q14,14 60,14t60,-14H290V170H10Z" className="fill-line2" />
      <path d="M10,140H70q14,14 60,14t60,-14H290" className="stroke-bark" strokeWidth="1.6" fill="none" />
      <path d="M78,146q14,8 52,8t52,-8Z" className="fill-water" opacity="0.5" />
      <Stem x={130} foot={153} top={10} half={15} />
      <Measure from={[78, 162]} to={[130, 162]} />
      <Word x={34} y={166}>
        6–18 in
      </Word>
      <path d="M206,60h34l-4,44h-26Z" className="fill-paper stroke-ink2" strokeWidth="1.4" />
      <path d="M208,80h30l-2,24h-26Z" className="fill-water" opacity="0.55" />
      <path
        d="M206,64q-26,26 -40,76"
        className="stroke-water"
        strokeWidth="2"
        fill="none"
        strokeDasharray="5 4"
      />
      <Word x={246} y={76}>
        water
      </Word>
      <Word x={246} y={92}>
        + product
      </Word>
      <path d="M200,136q14,-12 34,0M238,136q14,-12 34,0" className="stroke-bark" fill="none" />
      <Word x={236} y={124} anchor="middle">
        mulch back
      </Word>
    </Sketch>
  )
}

/** One bottle, one measure: product and water to the shoulder, a pour per tree. */
export function StockDrawing() {
  return (
    <Sketch says="A bottle with concentrate below and water above, and a measure with its graduations.">
      <path
        d="M60,22h20v16q22,6 22,26v84H38V64q0,-20 22,-26Z"
        className="fill-paper stroke-ink2"
        strokeWidth="1.6"
      />
      <path d="M39,118h62v29H39Z" className="fill-rust" opacity="0.55" />
      <path d="M39,62h62v56H39Z" className="fill-water" opacity="0.3" />
      <Word x={110} y={94}>
        water
      </Word>
      <Word x={110} y={136}>
        concentrate
      </Word>
      <path d="M206,62l6,86h44l6,-86Z" className="fill-paper stroke-ink2" strokeWidth="1.6" />
      <path d="M209,104l3,43h44l3,-43Z" className="fill-water" opacity="0.4" />
      {[74, 84, 94, 104, 114, 124, 134].map((y, i) => (
        <path key={y} d={`M${213 + i * 0.4},${y}h${i % 2 ? 8 : 14}`} className="stroke-ink2" />
      ))}
      <Measure from={[272, 104]} to={[272, 94]} />
      <Word x={252} y={54} anchor="middle">
        smallest step of the measure
      </Word>
    </Sketch>
  )
}
