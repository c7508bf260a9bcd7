import loadHighs from 'highs'
import type { BeginProgram, Column } from '@/core/week/program'

/** How a linear program is gone on with. */
const [DUAL, PRIMAL] = [1, 4]

let loaded: Promise<BeginProgram> | null = null

/** HiGHS as what solves the linear programs of a week; loaded once a thread, at the first question. */
export function programs(): Promise<BeginProgram> {
  return (loaded ??= loadHighs().then((highs): BeginProgram => (rows) => {
    const model = highs.createModel()
    const { integer } = highs.constants.variableType
    const { optimal } = highs.constants.modelStatus
    const limit = (n: number) => (n === Infinity ? highs.infinity : n === -Infinity ? -highs.infinity : n)
    model.options.set({
      output_flag: false,
      mip_rel_gap: 1e-7,
      mip_abs_gap: 1e-7,
      presolve: 'off',
      simplex_strategy: PRIMAL,
    })
    for (const row of rows) model.addRow(limit(row.least), limit(row.most), { indices: [], values: [] })
    let count = 0
    let rowCount = rows.length
    let anew = false
    const within = (seconds: number) => {
      // The limit holds for all runs together.
      model.zeroAllClocks()
      model.options.set({ time_limit: seconds })
      model.run()
    }
    return {
      add: (columns: readonly Column[]) => {
        if (columns.length === 0) return
        const starts = new Int32Array(columns.length + 1)
        columns.forEach((c, i) => (starts[i + 1] = starts[i]! + c.rows.length))
        const entries = starts[columns.length]!
        model.addCols({
          cost: Float64Array.from(columns, (c) => c.cost),
          lower: new Float64Array(columns.length),
          upper: new Float64Array(columns.length).fill(highs.infinity),
          matrix: {
            format: 'csc',
            numRows: rowCount,
            numCols: columns.length,
            starts,
            indices: Int32Array.from(columns.flatMap((c) => [...c.rows].sort((a, b) => a - b))),
            values: new Float64Array(entries).fill(1),
          },
        })
        count += columns.length
      },
      addRow: (row, columns) => {
        const indices = Int32Array.from([...columns].sort((a, b) => a - b))
        model.addRow(limit(row.least), limit(row.most), {
          indices,
          values: new Float64Array(indices.length).fill(1),
        })
        rowCount++
        anew = true
      },
      relaxed: (seconds) => {
        // A new row breaks what was taken and leaves the prices good; new columns the other way round.
        model.options.set({ simplex_strategy: anew ? DUAL : PRIMAL })
        anew = false
        within(seconds)
        if (model.getModelStatus() !== optimal) return null
        const { colValue, rowDual } = model.getSolution()
        return {
          cost: model.getObjectiveValue(),
          taken: Float64Array.from(colValue),
          prices: Float64Array.from(rowDual),
        }
      },
      fix: (column, taken) => {
        model.changeColBounds(column, taken ? 1 : 0, highs.infinity)
        anew = true
      },
      whole: (seconds) => {
        for (let i = 0; i < count; i++) model.changeColIntegrality(i, integer)
        within(seconds)
        const taken = Float64Array.from(model.getSolution().colValue)
        const bound = Number(model.info.get('mip_dual_bound'))
        return taken.length === count && Number(model.info.get('primal_solution_status')) === 2
          ? { taken, bound }
          : null
      },
      end: () => model.dispose(),
    }
  }))
}
