/** Width of the picture by its height. */
const SHAPE = 1.4

/** Where the trees of a file would stand, north up. */
export function Points({ points }: { points: readonly (readonly [east: number, north: number])[] }) {
  if (points.length === 0)
    return (
      <p className="bg-paper border border-line p-6 text-center text-ink2">The file tells no positions.</p>
    )
  const [east, north] = [points.map((p) => p[0]), points.map((p) => p[1])]
  const [low, high] = [
    [Math.min(...east), Math.min(...north)] as const,
    [Math.max(...east), Math.max(...north)] as const,
  ]
  // Wide enough for all, in the shape of the picture, with what is drawn in its middle.
  const width = 1.1 * Math.max(high[0] - low[0], (high[1] - low[1]) * SHAPE, 10)
  const [middleEast, middleNorth] = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  return (
    <svg
      viewBox={`${middleEast - width / 2} ${-middleNorth - width / SHAPE / 2} ${width} ${width / SHAPE}`}
      className="w-full h-[210px] bg-land"
      role="img"
      aria-label={`Where ${points.length} of the trees would stand, north up`}
    >
      {points.map(([e, n], i) => (
        <circle key={i} cx={e} cy={-n} r={width / 120} className="fill-moss" />
      ))}
    </svg>
  )
}
