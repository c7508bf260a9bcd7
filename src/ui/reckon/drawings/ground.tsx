import { Ground, Measure, Sketch, Stem, Word } from './pieces'

/** Three crown shapes, each by its own height and width. */
export function SprayDrawing() {
  return (
    <Sketch says="Round, cone and column crowns; the height is that of the crown, without the bare stem.">
      <Ground />
      {[60, 150, 236].map((x) => (
        <path key={x} d={`M${x},150V118`} className="stroke-bark" strokeWidth="5" />
      ))}
      <ellipse cx="60" cy="74" rx="36" ry="48" className="fill-moss-soft stroke-moss" strokeWidth="1.6" />
      <path d="M150,22L182,122H118Z" className="fill-moss-soft stroke-moss" strokeWidth="1.6" />
      <rect
        x="214"
        y="26"
        width="44"
        height="96"
        rx="5"
        className="fill-moss-soft stroke-moss"
        strokeWidth="1.6"
      />
      <Measure from={[14, 122]} to={[14, 26]} />
      <Word x={20} y={20}>
        crown height
      </Word>
      <Measure from={[24, 134]} to={[96, 134]} />
      <Word x={60} y={166} anchor="middle">
        round, width
      </Word>
      <Word x={150} y={166} anchor="middle">
        cone
      </Word>
      <Word x={236} y={166} anchor="middle">
        column
      </Word>
    </Sketch>
  )
}

/** The circle that is fed, seen from above: clear of the trunk, without the paving. */
export function FeedDrawing() {
  return (
    <Sketch says="From above: the circle to feed, the clearance at the trunk, the paved part, and holes on a grid.">
      <clipPath id="feed-circle">
        <circle cx="104" cy="86" r="74" />
      </clipPath>
      <circle cx="104" cy="86" r="74" className="fill-moss-soft stroke-moss" strokeWidth="1.6" />
      <g clipPath="url(#feed-circle)">
        <rect x="146" y="0" width="60" height="170" className="fill-line" />
        {Array.from({ length: 8 }, (_, i) =>
          Array.from({ length: 9 }, (_, j) => [40 + i * 16, 22 + j * 16] as const)
            .filter(
              ([x, y]) => x < 140 && Math.hypot(x - 104, y - 86) > 22 && Math.hypot(x - 104, y - 86) < 68,
            )
            .map(([x, y]) => <circle key={`${x},${y}`} cx={x} cy={y} r="1.7" className="fill-ink2" />),
        )}
      </g>
      <circle cx="104" cy="86" r="19" className="fill-sheet stroke-ink2" strokeDasharray="3 3" />
      <circle cx="104" cy="86" r="7" className="fill-sapwood stroke-bark" strokeWidth="2.4" />
      <Measure from={[104, 86]} to={[36, 57]} name="radius" side={-8} />
      <Measure from={[104, 100]} to={[104, 67]} />
      <Word x={194} y={40}>
        paved share
      </Word>
      <path d="M190,38L168,52" className="stroke-ink2" />
      <Word x={194} y={92}>
        clear of the trunk
      </Word>
      <path d="M190,88L124,84" className="stroke-ink2" />
      <Word x={194} y={140}>
        holes apart
      </Word>
      <path d="M190,136L122,126" className="stroke-ink2" />
    </Sketch>
  )
}

/** Holes in rings round the trunk, seen from above, and one hole from the side. */
export function SoilInjectionDrawing() {
  return (
    <Sketch says="From above: rings of holes round the trunk, the first a little way from the bark, further ones outwards; from the side, a hole that takes the mix.">
      {[26, 48, 70].map((r, k) => (
        <g key={r}>
          <circle cx="92" cy="86" r={r} className="fill-none stroke-moss" strokeDasharray="3 4" />
          {Array.from({ length: 6 + 6 * k }, (_, i) => {
            const a = ((i + k / 2) / (6 + 6 * k)) * 2 * Math.PI
            return (
              <circle
                key={i}
                cx={92 + r * Math.sin(a)}
                cy={86 - r * Math.cos(a)}
                r="2.4"
                className="fill-water"
              />
            )
          })}
        </g>
      ))}
      <circle cx="92" cy="86" r="12" className="fill-sapwood stroke-bark" strokeWidth="2.4" />
      <Measure from={[104, 86]} to={[118, 86]} />
      <Measure from={[118, 86]} to={[140, 86]} />
      <Word x={178} y={36}>
        first ring, from the bark
      </Word>
      <path d="M174,34Q128,46 112,82" className="stroke-ink2 fill-none" />
      <Word x={178} y={66}>
        between rings
      </Word>
      <path d="M174,64Q146,66 130,82" className="stroke-ink2 fill-none" />
      <path d="M180,112H290" className="stroke-bark" strokeWidth="1.6" />
      <path d="M226,112v40h8v-40" className="fill-water stroke-bark" strokeWidth="1.4" />
      <Word x={242} y={136}>
        mix a hole
      </Word>
    </Sketch>
  )
}

/** A clump of stems, each with its band from the soil line up. */
export function BarkDrawing() {
  return (
    <Sketch says="Stems from the side, each wetted all round from the soil line to the height of the band.">
      <Ground />
      {[
        [92, 13],
        [140, 8],
        [172, 5],
      ].map(([x, half]) => (
        <g key={x}>
          <path
            d={`M${x! - half! - 4},150L${x! - half!},138V14H${x! + half!}V138L${x! + half! + 4},150Z`}
            className="fill-sapwood stroke-bark"
            strokeWidth="1.6"
          />
          <path
            d={`M${x! - half! - 4},150L${x! - half!},138V66H${x! + half!}V138L${x! + half! + 4},150Z`}
            className="fill-water"
            opacity="0.45"
          />
        </g>
      ))}
      <Measure from={[60, 150]} to={[60, 66]} />
      <Word x={52} y={100} anchor="end">
        band
      </Word>
      <Word x={52} y={114} anchor="end">
        height
      </Word>
      <Word x={196} y={90}>
        each stem
      </Word>
      <Word x={196} y={104}>
        on its own
      </Word>
      <path d="M192,92L180,98" className="stroke-ink2" />
    </Sketch>
  )
}

/** Trenches like spokes, from the start radius to the end. */
export function SoilworkDrawing() {
  return (
    <Sketch says="From above: trenches run like spokes from the start to the end radius, inside the root zone.">
      <circle cx="104" cy="86" r="76" className="fill-moss-soft stroke-moss" strokeDasharray="5 4" />
      {Array.from({ length: 8 }, (_, i) => {
        const a = (i / 8) * 2 * Math.PI
        const p = (r: number) => `${104 + r * Math.sin(a)},${86 - r * Math.cos(a)}`
        return <path key={i} d={`M${p(22)}L${p(62)}`} className="stroke-bark" strokeWidth="6" />
      })}
      <circle cx="104" cy="86" r="8" className="fill-sapwood stroke-bark" strokeWidth="2.4" />
      <Measure from={[104, 86]} to={[126, 96]} />
      <Word x={190} y={118}>
        begin
      </Word>
      <path d="M186,114L128,98" className="stroke-ink2" />
      <Word x={190} y={92}>
        end
      </Word>
      <path d="M186,88H168" className="stroke-ink2" />
      <Word x={190} y={36}>
        root-zone radius
      </Word>
      <path d="M186,34L160,38" className="stroke-ink2" />
      <path d="M206,138v20h30v-20" className="stroke-bark fill-line2" strokeWidth="1.6" />
      <Word x={242} y={152}>
        wide, deep
      </Word>
    </Sketch>
  )
}

/** Emitters on a ring line round a young tree. */
export function WaterDrawing() {
  return (
    <Sketch says="A ring line with emitters round a young tree.">
      <ellipse cx="110" cy="130" rx="86" ry="26" className="fill-water-soft stroke-water" strokeWidth="2" />
      <Stem x={110} foot={132} top={30} half={6} />
      <ellipse cx="110" cy="34" rx="40" ry="26" className="fill-moss-soft stroke-moss" strokeWidth="1.6" />
      {Array.from({ length: 6 }, (_, i) => {
        const a = (i / 6) * 2 * Math.PI + 0.5
        return (
          <circle
            key={i}
            cx={110 + 86 * Math.sin(a)}
            cy={130 - 26 * Math.cos(a)}
            r="4.4"
            className="fill-water"
          />
        )
      })}
      <Measure from={[104, 96]} to={[116, 96]} />
      <Word x={124} y={100}>
        diameter
      </Word>
      <Word x={210} y={128}>
        emitters,
      </Word>
      <Word x={210} y={143}>
        each its flow
      </Word>
    </Sketch>
  )
}

/** A mesh cylinder on the stem, and how strips and pieces lie on the roll. */
export function GuardDrawing() {
  return (
    <Sketch says="A mesh cylinder stands off the bark, above the snow and into the soil; pieces lie upright in strips of the roll.">
      <Ground y={138} to={136} />
      <path d="M12,112q30,-8 62,0t58,0V138H12Z" className="fill-water-soft" />
      <Stem x={70} foot={140} top={6} half={9} />
      <rect x="48" y="48" width="44" height="104" className="fill-none stroke-ink" strokeWidth="1.4" />
      {[56, 64, 78, 86].map((x) => (
        <path key={x} d={`M${x},48V152`} className="stroke-ink2" strokeWidth="0.6" />
      ))}
      {Array.from({ length: 12 }, (_, i) => (
        <path key={i} d={`M48,${56 + i * 8}H92`} className="stroke-ink2" strokeWidth="0.6" />
      ))}
      <Measure from={[79, 40]} to={[92, 40]} />
      <Word x={97} y={44}>
        room
      </Word>
      <Measure from={[112, 112]} to={[112, 48]} name="above snow" side={5} />
      <Word x={98} y={160}>
        into the soil
      </Word>
      <rect x="196" y="40" width="92" height="104" className="fill-paper stroke-ink" strokeWidth="1.4" />
      <path d="M196,92H288M232,40V92M262,40V92M226,92V144" className="stroke-ink" strokeWidth="1" />
      <path d="M262,40h26v52h-26ZM226,92h62v52h-62Z" className="fill-line2" />
      <Measure from={[190, 144]} to={[190, 40]} />
      <Word x={242} y={32} anchor="middle">
        roll: two strips
      </Word>
      <Word x={242} y={160} anchor="middle">
        pieces, longest first
      </Word>
    </Sketch>
  )
}
