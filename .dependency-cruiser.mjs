/** Rooms of the core, in the order in which they may know each other: each knows what stands before it, and itself. */
const order = [
  'kernel',
  'bike',
  'body',
  'readings',
  'model',
  'talk',
  'figure',
  'ledger',
  'rider',
  'knockOn',
  'uncertainty',
  'station',
  'stations',
  'reason',
  ['prove', 'simulate'],
  'record',
  'contract',
]
/** Rooms of the screens, the same way. */
const screens = [
  ['kit', 'address', 'drawing'],
  'data',
  'glossary',
  ['chart', 'clock', 'saving', 'complaint', 'finding', 'working'],
  ['catalogue', 'reading', 'vial'],
  ['move', 'reasoning'],
  'board',
  'stations',
  'app',
]

const rulesFor = (root, rooms) => {
  const levels = rooms.map((level) => [level].flat())
  return levels.flatMap((level, at) =>
    level.map((room) => ({
      name: `${root}-${room}`,
      comment: 'Arrows between the rooms point one way.',
      severity: 'error',
      from: { path: `^${root}/src/${room}/`, pathNot: '\\.test\\.ts$|/testing\\.ts$' },
      to: {
        path: `^${root}/src/(${[...levels.slice(at + 1).flat(), ...level.filter((other) => other !== room)].join('|') || '-'})/`,
      },
    })),
  )
}

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    ...rulesFor('core', order),
    ...rulesFor('web', screens),
    {
      name: 'no-circle',
      comment: 'No file needs itself by way of others, types and lazy imports included.',
      severity: 'error',
      from: {},
      to: { circular: true },
    },
    {
      name: 'core-alone',
      comment: 'The core knows neither server, screens nor machine.',
      severity: 'error',
      from: { path: '^core/src/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(server|web|e2e|tools)/|^node:|node_modules/(express|pg|vue)/' },
    },
    {
      name: 'server-knows-core-only',
      comment: 'The server knows the core, nothing of the screens.',
      severity: 'error',
      from: { path: '^server/src/' },
      to: { path: '^(web|e2e)/|node_modules/(vue|pinia)/' },
    },
    {
      name: 'screens-know-core-and-http',
      comment: 'Screens know the core and HTTP, nothing of the server.',
      severity: 'error',
      from: { path: '^web/src/' },
      to: { path: '^(server|e2e)/|^node:' },
    },
    {
      name: 'stations-apart',
      comment: 'A station knows nothing of another; only the reasoner knows all.',
      severity: 'error',
      from: { path: '^(core|web)/src/stations/(feet|seat|hands|talk|measure|prove|record)/', pathNot: '\\.test\\.ts$' },
      to: { path: '^(core|web)/src/stations/(feet|seat|hands|talk|measure|prove|record)/', pathNot: '/src/stations/$2/' },
    },
    {
      name: 'field-riders-know-no-causes',
      comment: 'Riders of the field are drawn without the reasoner: only their scoring looks at it.',
      severity: 'error',
      from: { path: '^core/src/simulate/field/(defects|rider)\\.ts$' },
      to: { path: '^core/src/(reason|simulate/practice)/' },
    },
    {
      name: 'tests-stay-apart',
      comment: 'What ships needs nothing of its tests.',
      severity: 'error',
      from: { path: '^(core|server|web)/src/', pathNot: '\\.test\\.ts$|testing\\.ts$' },
      to: { path: '\\.test\\.ts$|/testing\\.ts$|^(server|web)/test/' },
    },
    {
      name: 'declared',
      comment: 'Every package stands in a package.json.',
      severity: 'error',
      from: { path: '^(core|server|web)/src/', pathNot: '\\.test\\.ts$|/testing\\.ts$' },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown', 'unknown'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/|node_modules/.*/node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.base.json' },
    extraExtensionsToScan: [],
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
}
