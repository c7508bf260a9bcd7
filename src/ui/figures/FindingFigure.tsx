import type { ReactNode } from 'react'
import { DRAWN } from './drawn'
import { Drawing } from './Drawing'
import { Bark, Leaf } from './grounds'

/** What the eye should look for, as a few lines. 96 × 72; ink for the thing, rust for what decides. */
export const FIGURES: Record<string, { says: string; draw: ReactNode }> = {
  'exit-hole-d': {
    says: 'A hole with one flat side, an eighth of an inch wide.',
    draw: (
      <>
        <Bark />
        <path d="M34,30H58A12,12 0 0 1 34,30Z" className="fill-ink" />
        <path d="M34,26H58M34,23v6M58,23v6" className="stroke-rust" />
        <text x="46" y="20" fontSize="9" textAnchor="middle" className="fill-rust stroke-none">
          1/8 in
        </text>
      </>
    ),
  },
  'exit-hole-round': {
    says: 'A round hole with sawdust below it.',
    draw: (
      <>
        <Bark />
        <circle cx="46" cy="30" r="9" className="fill-ink" />
        <path d="M38,46l3,2m3,-1l4,3m2,-5l3,3m-9,5l4,1m4,-3l3,2" className="stroke-rust" />
      </>
    ),
  },
  'galleries-s': {
    says: 'A packed tunnel that winds in an S.',
    draw: (
      <path d="M12,14C40,4 60,18 40,28S14,44 44,50S82,54 66,66" className="stroke-rust" strokeWidth="4" />
    ),
  },
  'galleries-zigzag': {
    says: 'Tunnels that wander in sharp turns.',
    draw: (
      <path d="M8,12L34,22L16,36L52,32L40,52L74,46L62,66L88,60" className="stroke-rust" strokeWidth="3" />
    ),
  },
  'woodpecker-blond': {
    says: 'Pale flecks where outer bark was knocked off.',
    draw: (
      <>
        <Bark />
        <path
          d="M26,16l10,4l-2,9l-10,-3Zm20,14l12,2l-3,10l-11,-4Zm-14,20l9,-3l5,8l-9,4Z"
          className="fill-paper stroke-rust"
        />
      </>
    ),
  },
  'bark-off-crust': {
    says: 'Bark gone, a crust on the wood beneath.',
    draw: (
      <>
        <path d="M10,6C20,20 8,40 16,66M82,6C74,22 88,44 78,66" className="stroke-ink" />
        <path
          d="M30,12C48,8 62,16 60,34S52,62 36,60S24,24 30,12Z"
          className="fill-line stroke-rust"
          strokeWidth="2"
        />
        <path d="M36,22h4m6,6h3m-12,10h4m5,8h3m-14,2h3" className="stroke-ink" />
      </>
    ),
  },
  'bark-smooth-patch': {
    says: 'A smooth, slightly sunken patch in the outer bark only.',
    draw: (
      <>
        <Bark />
        <path
          d="M34,14C50,10 60,24 56,40S40,60 32,50S26,18 34,14Z"
          className="fill-paper stroke-rust"
          strokeWidth="1.6"
        />
      </>
    ),
  },
  'leaf-scorch-even': {
    says: 'The margin brown all round, to an even depth.',
    draw: (
      <Leaf>
        <path
          d="M48,6C76,18 80,48 48,66C16,48 20,18 48,6ZM48,16C30,26 30,44 48,56C66,44 66,26 48,16Z"
          className="fill-rust stroke-none"
          fillRule="evenodd"
          opacity="0.7"
        />
      </Leaf>
    ),
  },
  'leaf-scorch-banded': {
    says: 'An uneven brown margin with a yellow band before the green.',
    draw: (
      <Leaf>
        <path
          d="M48,6C76,18 80,48 48,66C16,48 20,18 48,6ZM46,20C36,22 40,34 30,38S44,52 48,54S60,44 58,36S58,18 46,20Z"
          className="fill-rust stroke-none"
          fillRule="evenodd"
          opacity="0.7"
        />
        <path
          d="M46,20C36,22 40,34 30,38S44,52 48,54S60,44 58,36S58,18 46,20Z"
          className="stroke-straw"
          strokeWidth="3"
          strokeDasharray="4 2"
        />
      </Leaf>
    ),
  },
  'leaf-yellow-between-veins': {
    says: 'Yellow between veins that stay green.',
    draw: (
      <Leaf pale>
        <path
          d="M48,8V64M48,20L66,14M48,20L30,14M48,34L72,28M48,34L24,28M48,48L66,44M48,48L30,44"
          className="stroke-moss"
          strokeWidth="3.4"
        />
      </Leaf>
    ),
  },
  'leaf-yellow-even': { says: 'Evenly pale, veins too.', draw: <Leaf pale /> },
  'leaf-skeleton': {
    says: 'Only a lace of veins left.',
    draw: (
      <path
        d="M48,6C76,18 80,48 48,66C16,48 20,18 48,6ZM48,6V66M48,18L66,14M48,18L30,14M48,30L73,26M48,30L23,26M48,42L72,42M48,42L24,42M48,54L62,54M48,54L34,54M36,16V58M60,16V58"
        className="stroke-ink"
        strokeWidth="1"
        strokeDasharray="6 1.5"
      />
    ),
  },
  'leaf-mines-serpentine': {
    says: 'A silver tunnel that winds inside the leaf.',
    draw: (
      <Leaf>
        <path
          d="M40,14C52,18 60,22 52,28S34,30 36,38S60,42 56,50S44,54 46,58"
          className="stroke-paper"
          strokeWidth="4"
        />
        <path
          d="M40,14C52,18 60,22 52,28S34,30 36,38S60,42 56,50S44,54 46,58"
          className="stroke-rust"
          strokeWidth="1"
        />
      </Leaf>
    ),
  },
  'leaf-blotch-veins': {
    says: 'Blotches that follow the veins.',
    draw: (
      <Leaf>
        <path
          d="M46,12C52,26 44,40 50,60C54,40 60,30 70,30C58,28 52,22 50,12Z"
          className="fill-rust stroke-none"
          opacity="0.75"
        />
      </Leaf>
    ),
  },
  'leaf-curl-red-blister': {
    says: 'Thick, puckered, red blisters.',
    draw: (
      <Leaf>
        <path
          d="M38,22q8,-10 16,0q-8,8 -16,0ZM30,38q8,-10 16,0q-8,9 -16,0ZM50,44q9,-10 16,0q-8,9 -16,0Z"
          className="fill-rust-soft stroke-rust"
          strokeWidth="2"
        />
      </Leaf>
    ),
  },
  'shoot-crook': {
    says: 'The tip black and bent over like a walking stick.',
    draw: <path d="M34,68V30C34,8 62,8 60,28" className="stroke-ink" strokeWidth="6" strokeLinecap="round" />,
  },
  'twig-bumps-flip-off': {
    says: 'A flat shell that lifts off with a nail.',
    draw: (
      <>
        <path d="M6,52H90" className="stroke-bark" strokeWidth="8" />
        <path d="M20,48a9,6 0 0 1 18,0Z" className="fill-line stroke-ink" />
        <path d="M50,34a9,6 0 0 1 17,5Z" className="fill-line stroke-rust" strokeWidth="1.6" />
        <path d="M52,46q4,-3 10,0" className="stroke-rust" strokeDasharray="3 2" />
      </>
    ),
  },
  'twig-bumps-large-soft': {
    says: 'Rounded soft humps crowded on the twig.',
    draw: (
      <>
        <path d="M6,54H90" className="stroke-bark" strokeWidth="8" />
        {[22, 42, 60].map((x) => (
          <path
            key={x}
            d={`M${x - 11},50a11,14 0 0 1 22,0Z`}
            className="fill-rust-soft stroke-rust"
            strokeWidth="1.8"
          />
        ))}
      </>
    ),
  },
  'twig-felt-white': {
    says: 'White felted patches that crush pink.',
    draw: (
      <>
        <path d="M6,44H90" className="stroke-bark" strokeWidth="18" />
        <path
          d="M20,36q10,-8 20,0t16,0q4,8 -4,10t-18,2t-14,-12Z"
          className="fill-paper stroke-rust"
          strokeWidth="1.8"
        />
      </>
    ),
  },
  'cottony-masses': {
    says: 'A ridged white sac, or mealy clusters.',
    draw: (
      <>
        <path d="M6,54H90" className="stroke-bark" strokeWidth="8" />
        <path d="M28,50C30,26 64,26 66,50Z" className="fill-paper stroke-rust" strokeWidth="1.8" />
        <path d="M36,50C38,36 40,32 42,30M47,50V28M58,50C56,36 54,32 52,30" className="stroke-rust" />
      </>
    ),
  },
  'needle-wool-base': {
    says: 'White dots of wool where the needles meet the twig.',
    draw: (
      <>
        <path d="M6,36H90" className="stroke-bark" strokeWidth="4" />
        {[16, 28, 40, 52, 64, 76].map((x) => (
          <g key={x}>
            <path d={`M${x},36l-6,-20M${x},36l-6,20`} className="stroke-moss" strokeWidth="2" />
            <circle cx={x} cy="36" r="4" className="fill-paper stroke-rust" strokeWidth="1.4" />
          </g>
        ))}
      </>
    ),
  },
  'gnaw-base': {
    says: 'Gnawed at the ground, small tooth marks.',
    draw: <Heights from={0} to={12} word="at the ground" />,
  },
  'gnaw-clipped-twigs': {
    says: 'A twig cut off clean at a slant.',
    draw: (
      <>
        <path d="M20,70V28L32,16V70Z" className="fill-sapwood stroke-ink" />
        <path d="M20,28L32,16" className="stroke-rust" strokeWidth="3" />
        <text x="44" y="26" fontSize="10" className="fill-rust stroke-none">
          slanted, clean
        </text>
      </>
    ),
  },
  'browse-torn': {
    says: 'A twig torn ragged.',
    draw: (
      <>
        <path d="M20,70V30l3,-8l2,7l3,-11l2,10l2,-5V70Z" className="fill-sapwood stroke-ink" />
        <path d="M20,30l3,-8l2,7l3,-11l2,10l2,-5" className="stroke-rust" strokeWidth="2.4" />
        <text x="44" y="26" fontSize="10" className="fill-rust stroke-none">
          torn
        </text>
      </>
    ),
  },
  'rub-torn-bark': {
    says: 'Bark shredded one to four feet up.',
    draw: <Heights from={14} to={46} word="1 to 4 ft" />,
  },
  'flare-hidden': {
    says: 'The trunk goes into the ground straight like a post.',
    draw: (
      <>
        <path d="M34,6V54M62,6V54" className="stroke-rust" strokeWidth="2.4" />
        <path d="M4,54H92" className="stroke-bark" strokeWidth="2" />
      </>
    ),
  },
  'root-girdling': {
    says: 'A root presses across the trunk.',
    draw: (
      <>
        <circle cx="46" cy="38" r="24" className="fill-sapwood stroke-bark" strokeWidth="3" />
        <path d="M6,18C34,22 58,14 92,30" className="stroke-rust" strokeWidth="6" />
      </>
    ),
  },
  'sapwood-streaks': {
    says: 'Brown streaks or a ring in the outer wood.',
    draw: (
      <>
        <path d="M12,20H84V52H12Z" className="fill-sapwood stroke-bark" />
        <path d="M16,26H50M30,32H80M18,40H44M52,46H80" className="stroke-rust" strokeWidth="2.6" />
      </>
    ),
  },
  'fruit-rings-sunken': {
    says: 'Sunken rot with rings.',
    draw: (
      <>
        <circle cx="48" cy="38" r="28" className="fill-sapwood stroke-ink" />
        {[14, 9, 4].map((r) => (
          <ellipse key={r} cx="56" cy="34" rx={r} ry={r * 0.8} className="stroke-rust" strokeWidth="2" />
        ))}
      </>
    ),
  },
  'fruit-rot-calyx': {
    says: 'Firm dark rot from the blossom end.',
    draw: (
      <>
        <circle cx="48" cy="36" r="28" className="fill-sapwood stroke-ink" />
        <path d="M28,56A28,28 0 0 0 68,56C62,46 34,46 28,56Z" className="fill-rust stroke-none" />
        <path d="M44,62h8" className="stroke-ink" strokeWidth="3" />
      </>
    ),
  },
}

/** A young stem with the stretch of bark that is hurt, against the ground. */
function Heights({ from, to, word }: { from: number; to: number; word: string }) {
  return (
    <>
      <path d="M22,4V62M34,4V62" className="stroke-ink" />
      <path d="M4,62H92" className="stroke-bark" strokeWidth="2" />
      <path
        d={`M22,${62 - to}V${62 - from}H34V${62 - to}Z`}
        className="fill-rust stroke-none"
        opacity="0.75"
      />
      <text x="44" y={66 - (from + to) / 2} fontSize="10" className="fill-rust stroke-none">
        {word}
      </text>
    </>
  )
}

/** What is drawn of a finding, with what it says; nothing where it has no drawing. */
export function figureOf(finding: string): { says: string; draw: ReactNode } | undefined {
  if (Object.hasOwn(FIGURES, finding)) return FIGURES[finding]
  const drawn = Object.hasOwn(DRAWN, finding) ? DRAWN[finding] : undefined
  return drawn && { says: drawn.says, draw: <Drawing drawn={drawn} /> }
}

/** The small figure of a finding, where there is one. */
export function FindingFigure({ finding, size = 96 }: { finding: string; size?: number }) {
  const figure = figureOf(finding)
  if (!figure) return null
  return (
    <svg
      viewBox="0 0 96 72"
      width={size}
      height={size * 0.75}
      role="img"
      aria-label={figure.says}
      fill="none"
      strokeWidth="1.3"
      className="shrink-0 bg-paper border border-line2"
    >
      <title>{figure.says}</title>
      {figure.draw}
    </svg>
  )
}
