import type { PortStage } from '@/core/methods/trunk-injection/running'

/** How a port is drawn at each stage: by form and word as well as by colour. */
export const STAGE_LOOK: Record<PortStage, { colour: string; word: string }> = {
  planned: { colour: 'var(--color-rust)', word: 'to drill' },
  drilled: { colour: 'var(--color-rust)', word: 'drilled' },
  'taking up': { colour: 'var(--color-water)', word: 'taking up' },
  empty: { colour: 'var(--color-straw)', word: 'empty, still in' },
  done: { colour: 'var(--color-moss)', word: 'out' },
  'given up': { colour: 'var(--color-plum)', word: 'given up' },
}

/** The sign of a stage: full, open, open with a dot, half, ticked, crossed. */
export function PortSign({ x, y, stage, r }: { x: number; y: number; stage: PortStage; r: number }) {
  const { colour } = STAGE_LOOK[stage]
  const open = stage === 'drilled' || stage === 'taking up' || stage === 'empty'
  return (
    <g>
      <circle
        cx={x}
        cy={y}
        r={r}
        fill={open ? 'var(--color-paper)' : colour}
        stroke={open ? colour : 'var(--color-paper)'}
        strokeWidth={open ? 3.4 : 1.8}
      />
      {stage === 'taking up' && <circle cx={x} cy={y} r={r * 0.38} fill={colour} />}
      {stage === 'empty' && <path d={`M${x - r},${y}A${r},${r} 0 0 0 ${x + r},${y}Z`} fill={colour} />}
      {stage === 'done' && (
        <path
          d={`M${x - r * 0.5},${y}l${r * 0.35},${r * 0.4}l${r * 0.6},${-r * 0.75}`}
          fill="none"
          stroke="var(--color-paper)"
          strokeWidth="2"
        />
      )}
      {stage === 'given up' && (
        <path
          d={`M${x - r * 0.45},${y - r * 0.45}l${r * 0.9},${r * 0.9}m0,${-r * 0.9}l${-r * 0.9},${r * 0.9}`}
          stroke="var(--color-paper)"
          strokeWidth="2"
        />
      )}
    </g>
  )
}
