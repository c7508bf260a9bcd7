import { execFile, execFileSync } from 'node:child_process'
import { readFileSync, rmSync, writeFileSync, mkdirSync } from 'node:fs'
import path from 'node:path'
import ts from 'typescript'

/**
 * A small mutation check: changes one thing in the core or the server at a time — a comparison, a sign, a condition, a
 * number — and looks whether a test notices. Which tests run a line is measured first, one test file at a time; a change
 * is put only before those. Works in the folder it is started in, which `bin/test --mutate` makes a copy of.
 *
 * Usage: tsx bin/mutate.ts <core|rules|server> <how many> [draw]; `rules` are the gate, the history, doses and limits alone
 */

const [part = 'core', count = '200', which = '1'] = process.argv.slice(2)
const PARTS: Record<string, { files: RegExp; sources: string; projects: string[]; tests: RegExp }> = {
  core: {
    files: /^src\/core\//,
    sources: 'src/core/**/*.ts',
    projects: ['unit'],
    tests: /^src\/(core|calc|almanac)\/.*\.test\.ts$/,
  },
  rules: {
    files: /^src\/core\/(gate|history|dose|limits)\//,
    sources: 'src/core/{gate,history,dose,limits}/**/*.ts',
    projects: ['unit'],
    tests:
      /^src\/(core\/(gate|history|dose|limits|methods|rootzone|ports)|calc|almanac\/(gate|ways))\/?.*\.test\.ts$/,
  },
  server: {
    files: /^src\/server\//,
    sources: 'src/server/**/*.ts',
    projects: ['unit', 'integration'],
    tests: /^(tests\/integration|src\/server)\/.*\.test\.ts$/,
  },
}
const chosen = PARTS[part]
if (!chosen) throw new Error(`"${part}" is neither core, rules nor server.`)
/** Runs of a lottery of their own, and what only a server that serves reaches. */
const SLOW = /calibration|fuzz|pairs|rehearsal|practiceCase/
const BESIDE = /server\/(heavy|read|serve|log|environment|session|http|ledger\/watch)/

const FILES = execFileSync('git', ['ls-files', '*.ts'], { encoding: 'utf8' }).split('\n')
const ROOT = process.cwd()
const COVERAGE = path.join(ROOT, '.data/mutate')

function jest(args: string[], seconds: number): Promise<boolean> {
  return new Promise((resolve) => {
    execFile(
      'node_modules/.bin/jest',
      ['--selectProjects', ...chosen!.projects, '--silent', '--runInBand', '--testTimeout=60000', ...args],
      { timeout: seconds * 1000, maxBuffer: 64_000_000 },
      (error) => resolve(error === null),
    )
  })
}

/** The test files that run a line, by source file and line. */
async function whoRuns(): Promise<Map<string, Set<string>>> {
  const runs = new Map<string, Set<string>>()
  for (const test of FILES.filter((f) => chosen!.tests.test(f) && !SLOW.test(f))) {
    rmSync(COVERAGE, { recursive: true, force: true })
    mkdirSync(COVERAGE, { recursive: true })
    const green = await jest(
      [
        '--coverage',
        '--coverageProvider=v8',
        '--coverageReporters=json',
        `--coverageDirectory=${COVERAGE}`,
        `--collectCoverageFrom=${chosen!.sources}`,
        '--runTestsByPath',
        test,
      ],
      300,
    )
    if (!green) throw new Error(`${test} is red before anything was changed.`)
    const seen = JSON.parse(readFileSync(path.join(COVERAGE, 'coverage-final.json'), 'utf8')) as Record<
      string,
      {
        statementMap: Record<string, { start: { line: number }; end: { line: number } }>
        s: Record<string, number>
      }
    >
    for (const [file, { statementMap, s }] of Object.entries(seen))
      for (const [id, { start, end }] of Object.entries(statementMap))
        if (s[id])
          for (let line = start.line; line <= end.line; line++) {
            const key = `${path.relative(ROOT, file)}:${line}`
            runs.set(key, (runs.get(key) ?? new Set()).add(test))
          }
  }
  return runs
}

interface Mutant {
  file: string
  line: number
  from: number
  to: number
  was: string
  now: string
}

const SWAPS: Partial<Record<ts.SyntaxKind, string>> = {
  [ts.SyntaxKind.LessThanToken]: '<=',
  [ts.SyntaxKind.LessThanEqualsToken]: '<',
  [ts.SyntaxKind.GreaterThanToken]: '>=',
  [ts.SyntaxKind.GreaterThanEqualsToken]: '>',
  [ts.SyntaxKind.EqualsEqualsEqualsToken]: '!==',
  [ts.SyntaxKind.ExclamationEqualsEqualsToken]: '===',
  [ts.SyntaxKind.AmpersandAmpersandToken]: '||',
  [ts.SyntaxKind.BarBarToken]: '&&',
  [ts.SyntaxKind.PlusToken]: '-',
  [ts.SyntaxKind.MinusToken]: '+',
  [ts.SyntaxKind.AsteriskToken]: '/',
  [ts.SyntaxKind.SlashToken]: '*',
}

/** Every single change of a file: operators turned, conditions that never hold, flags turned, numbers one off. */
function mutantsOf(file: string): Mutant[] {
  const text = readFileSync(file, 'utf8')
  const source = ts.createSourceFile(file, text, ts.ScriptTarget.Latest, true)
  const found: Mutant[] = []
  const put = (node: ts.Node, now: string) => {
    const from = node.getStart(source)
    const line = source.getLineAndCharacterOfPosition(from).line + 1
    found.push({ file, line, from, to: node.end, was: text.slice(from, node.end), now })
  }
  const visit = (node: ts.Node): void => {
    if (ts.isTypeNode(node) || ts.isInterfaceDeclaration(node) || ts.isTypeAliasDeclaration(node)) return
    if (ts.isBinaryExpression(node)) {
      const swap = SWAPS[node.operatorToken.kind]
      const joins =
        node.operatorToken.kind === ts.SyntaxKind.PlusToken &&
        (ts.isStringLiteralLike(node.left) || ts.isStringLiteralLike(node.right))
      if (swap && !joins) put(node.operatorToken, swap)
    }
    // A guard that never guards.
    if (ts.isIfStatement(node)) put(node.expression, 'false')
    if (node.kind === ts.SyntaxKind.TrueKeyword) put(node, 'false')
    if (node.kind === ts.SyntaxKind.FalseKeyword) put(node, 'true')
    if (ts.isNumericLiteral(node) && !ts.isElementAccessExpression(node.parent))
      put(node, `(${node.text} + 1)`)
    // A role or a reason less.
    if (
      ts.isArrayLiteralExpression(node) &&
      node.elements.length > 1 &&
      node.elements.every(ts.isStringLiteral)
    )
      put(
        node,
        `[${node.elements
          .slice(1)
          .map((e) => e.getText(source))
          .join(', ')}]`,
      )
    ts.forEachChild(node, visit)
  }
  visit(source)
  return found
}

/** The same lots for the same draw. */
function lots(from: number): () => number {
  let state = from >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

async function main() {
  const runs = await whoRuns()
  const all = FILES.filter(
    (f) => chosen!.files.test(f) && !/\.test(ing)?\.ts$/.test(f) && !(part === 'server' && BESIDE.test(f)),
  )
    .sort()
    .flatMap(mutantsOf)
  const draw = lots(Number(which))
  const drawn = all
    .map((mutant) => ({ mutant, lot: draw() }))
    .sort((a, b) => a.lot - b.lot)
    .slice(0, Number(count))
    .map(({ mutant }) => mutant)
  const survived: Mutant[] = []
  for (const [i, m] of drawn.entries()) {
    const tests = [...(runs.get(`${m.file}:${m.line}`) ?? [])]
    const text = readFileSync(m.file, 'utf8')
    let noticed = false
    if (tests.length > 0) {
      writeFileSync(m.file, text.slice(0, m.from) + m.now + text.slice(m.to))
      try {
        noticed = !(await jest(['--bail', '--runTestsByPath', ...tests], 180))
      } finally {
        writeFileSync(m.file, text)
      }
    }
    if (!noticed) {
      survived.push(m)
      console.log(
        `survived ${m.file}:${m.line}  ${m.was.replace(/\s+/g, ' ').slice(0, 60)} → ${m.now}${tests.length === 0 ? '  (no test runs it)' : ''}`,
      )
    }
    if ((i + 1) % 25 === 0) console.log(`${i + 1} of ${drawn.length}, ${survived.length} survived`)
  }
  const score = ((drawn.length - survived.length) / drawn.length) * 100
  console.log(
    `${part}: ${drawn.length} of ${all.length} possible changes tried (draw ${which}), ${drawn.length - survived.length} noticed: ${score.toFixed(1)} %`,
  )
}

void main()
