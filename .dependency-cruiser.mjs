/** Rooms of the core, in the order in which they may know each other: each knows what stands before it, and itself. */
const order = ['kernel', 'bike', 'body', 'readings', 'model', 'talk', 'figure', 'ledger', 'rider', 'knockOn', 'uncertainty', 'station', 'stations', 'reason', ['prove', 'simulate'], 'record']
const levels = order.map((rooms) => [rooms].flat())

const roomRules = levels.flatMap((rooms, level) =>
  rooms.map((room) => ({
    name: `core-${room}`,
    comment: 'Arrows between the rooms of the core point one way.',
    severity: 'error',
    from: { path: `^core/src/${room}/`, pathNot: '\\.test\\.ts$|/testing\\.ts$' },
    to: {
      path: `^core/src/(${[...levels.slice(level + 1).flat(), ...rooms.filter((other) => other !== room)].join('|') || '-'})/`,
    },
  })),
)

/** @type {import('dependency-cruiser').IConfiguration} */
export default {
  forbidden: [
    ...roomRules,
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
      name: 'kit-below-stations',
      comment: 'Composables know neither stores nor screens.',
      severity: 'error',
      from: { path: '^web/src/composables/' },
      to: { path: '^web/src/(stations|visit|riders|parts|board|stores)/' },
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
      from: { path: '^(core|server|web)/src/', pathNot: '\\.test\\.ts$' },
      to: { dependencyTypes: ['npm-no-pkg', 'npm-unknown', 'unknown'] },
    },
  ],
  options: {
    doNotFollow: { path: 'node_modules' },
    exclude: { path: '(^|/)dist/|node_modules/.*/node_modules' },
    tsPreCompilationDeps: true,
    tsConfig: { fileName: 'tsconfig.json' },
    extraExtensionsToScan: [],
    enhancedResolveOptions: { exportsFields: ['exports'], conditionNames: ['import', 'require', 'node', 'default', 'types'] },
  },
}
