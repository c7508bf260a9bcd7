/** The arrows of docs/ARCHITECTURE.md, checked. */
const only = (name, from, allowed, comment) => ({
  name,
  comment,
  severity: 'error',
  from: { path: from, pathNot: '\\.test\\.tsx?$' },
  to: { path: '^(src|demo|tests)/', pathNot: allowed },
})

module.exports = {
  forbidden: [
    { name: 'no-cycles', severity: 'error', from: {}, to: { circular: true } },
    only(
      'core-knows-only-core',
      '^src/core/',
      ['^src/core/'],
      'Computation knows no database, no interface.',
    ),
    {
      name: 'core-imports-no-framework',
      severity: 'error',
      from: {
        path: '^src/core/',
        pathNot: [
          '\\.test\\.ts$',
          '^src/core/card/',
          '^src/core/rules/localRule\\.ts$',
          '^src/core/methods/[^/]+/use\\.ts$',
          '^src/core/methods/(kept|schemas)\\.ts$',
        ],
      },
      to: { dependencyTypes: ['npm', 'core'], pathNot: 'node_modules/(fast-check)' },
    },
    {
      name: 'cards-are-read-by-their-schema',
      severity: 'error',
      from: {
        path: [
          '^src/core/card/',
          '^src/core/rules/localRule\\.ts$',
          '^src/core/methods/[^/]+/use\\.ts$',
          '^src/core/methods/(kept|schemas)\\.ts$',
        ],
        pathNot: '\\.test\\.ts$',
      },
      to: { dependencyTypes: ['npm', 'core'], pathNot: 'node_modules/zod' },
    },
    only(
      'almanac-uses-core',
      '^src/almanac/',
      ['^src/(almanac|core)/'],
      'The almanac is data in the shapes core reads.',
    ),
    only(
      'calc-asks-the-core',
      '^src/calc/',
      ['^src/(calc|core|almanac)/'],
      'Calculators read typed words, ask the core and answer.',
    ),
    only(
      'asks-are-words-and-rules',
      '^src/asks/',
      ['^src/(asks|core|almanac)/'],
      'What a step asks for is read by the step and by the form that sends it.',
    ),
    only('db-knows-core-shapes', '^src/db/', ['^src/(db|core)/'], 'Queries know nothing of verbs or views.'),
    only(
      'standins-stand-alone',
      '^src/standins/',
      ['^src/(standins|core)/'],
      'Stand-ins sit behind adapters.',
    ),
    only(
      'server-uses-what-is-below',
      '^src/server/',
      ['^src/(server|asks|core|calc|db|almanac|texts)/'],
      'Verbs never import views, and know a stand-in by its address only.',
    ),
    only(
      'texts-are-sentences',
      '^src/texts/',
      ['^(src/(texts|core)|messages)/'],
      'Sentences know no view and no step.',
    ),
    only(
      'ui-uses-core',
      '^src/ui/',
      ['^src/(ui|asks|core|calc|almanac|workers)/', '^src/server/verbs\\.ts$'],
      'Views never import the server or the database; of the steps they know the types.',
    ),
    {
      name: 'steps-are-types-to-views',
      severity: 'error',
      from: { path: '^src/ui/' },
      to: { path: '^src/server/', dependencyTypesNot: ['type-only'] },
    },
    only(
      'workers-call-core',
      '^src/workers/',
      ['^src/(workers|core|calc|almanac)/'],
      'A worker calls one core function.',
    ),
    {
      name: 'app-never-touches-the-database',
      severity: 'error',
      from: { path: '^src/app/' },
      to: { path: '^src/(db|standins)/' },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    enhancedResolveOptions: {
      exportsFields: ['exports'],
      conditionNames: ['import', 'require', 'node', 'default'],
    },
  },
}
