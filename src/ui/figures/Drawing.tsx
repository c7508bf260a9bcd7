import type { Drawn, Ground, Mark } from './drawn'
import { Bark, Leaf } from './grounds'

const STROKE: Record<Mark['ink'], string> = {
  ink: 'stroke-ink',
  rust: 'stroke-rust',
  moss: 'stroke-moss',
  straw: 'stroke-straw',
  paper: 'stroke-paper',
}
const FILL: Record<Mark['ink'], string> = {
  ink: 'fill-ink',
  rust: 'fill-rust',
  moss: 'fill-moss-soft',
  straw: 'fill-straw-soft',
  paper: 'fill-paper',
}

/** A drawing from its data, on what it stands on. */
export function Drawing({ drawn }: { drawn: Drawn }) {
  return (
    <>
      <On ground={drawn.on} />
      {drawn.marks.map((m, i) => (
        <g key={i}>
          {m.area && (
            <path
              d={m.area}
              className={`${FILL[m.ink]} ${m.ink === 'moss' || m.ink === 'straw' || m.ink === 'paper' ? 'stroke-ink' : 'stroke-none'}`}
              strokeWidth="0.8"
            />
          )}
          {m.line && (
            <path d={m.line} className={STROKE[m.ink]} strokeWidth={m.width ?? 1.6} strokeLinecap="round" />
          )}
          {m.dots?.map(([x, y, r]) => (
            <circle
              key={`${x} ${y}`}
              cx={x}
              cy={y}
              r={r}
              className={`${m.ink === 'straw' ? 'fill-straw' : m.ink === 'moss' ? 'fill-moss' : FILL[m.ink]} stroke-none`}
            />
          ))}
        </g>
      ))}
    </>
  )
}

function On({ ground }: { ground: Ground }) {
  switch (ground) {
    case 'bark':
      return <Bark />
    case 'leaf':
      return <Leaf />
    case 'twig':
      return <path d="M4,58L92,24M6,66L92,33" className="stroke-bark" strokeWidth="1.8" />
    case 'needles':
      return (
        <path
          d="M6,60L90,22M18,54l-7,-15M26,50l-6,-15M34,47l-6,-15M42,43l-5,-15M50,40l-5,-15M58,36l-5,-15M66,33l-4,-15M22,53l8,14M32,48l8,14M42,44l8,13M52,40l8,12M62,35l8,12"
          className="stroke-moss"
          strokeWidth="1.6"
        />
      )
    case 'foot':
      return (
        <>
          <path
            d="M36,2V44C34,52 28,58 20,64M60,2V44C62,52 68,58 76,64"
            className="stroke-bark"
            strokeWidth="1.8"
          />
          <path d="M2,64H94" className="stroke-ink" strokeWidth="2" />
        </>
      )
    case 'fruit':
      return (
        <>
          <circle cx="48" cy="40" r="28" className="fill-moss-soft stroke-ink" />
          <path d="M48,13C48,8 52,5 56,4" className="stroke-ink" strokeWidth="2" />
        </>
      )
    case 'cut':
      return (
        <>
          <circle cx="48" cy="36" r="32" className="fill-paper stroke-bark" strokeWidth="2.4" />
          <path
            d="M48,36m-22,0a22,22 0 1 0 44,0a22,22 0 1 0 -44,0M48,36m-12,0a12,12 0 1 0 24,0a12,12 0 1 0 -24,0"
            className="stroke-line"
          />
        </>
      )
    case 'crown':
      return (
        <>
          <path d="M45,70V48M51,70V48" className="stroke-bark" strokeWidth="1.8" />
          <path
            d="M48,6C62,3 76,11 77,24C86,31 80,47 66,48C58,55 38,55 30,48C16,47 10,31 19,24C20,11 34,3 48,6Z"
            className="fill-moss-soft stroke-moss"
          />
        </>
      )
    case 'soil':
      return (
        <>
          <path d="M2,20H94" className="stroke-ink" strokeWidth="2" />
          <path
            d="M8,28h2M20,32h2M12,44h2M26,66h2M86,28h2M88,42h2M80,66h2M10,64h2M90,56h2"
            className="stroke-bark"
            strokeWidth="1.6"
          />
        </>
      )
    case 'none':
      return null
  }
}
