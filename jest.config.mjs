/** TypeScript and the few packages that ship only as modules are compiled for Jest. */
const compile = ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }]

const compiled = {
  '^.+\\.ts$': compile,
  '/node_modules/(pinia|nostics|@vueuse/[a-z]+|ml-[a-z-]+|is-any-array|d3-[a-z]+)/.+\\.m?js$': compile,
}

const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: name,
  testMatch: ['<rootDir>/**/*.test.ts'],
  testEnvironment: 'node',
  // A test runs in a context of its own, where every look at a global name is slow: these are handed in, which halves numeric tests and more.
  sandboxInjectedGlobals: ['Math', 'Number', 'Object', 'Array', 'Map', 'Set', 'JSON', 'Infinity', 'Float64Array'],
  transform: compiled,
  // Workspace packages are linked into node_modules as TypeScript source.
  transformIgnorePatterns: ['/node_modules/(?!@level-stance/|pinia/|nostics/|@vueuse/|ml-|is-any-array/|d3-)'],
  ...extra,
})

export default {
  // A machine that does two things at once is slow: time alone fails no test.
  testTimeout: 30_000,
  projects: [
    project('core'),
    project('web', {
      transform: {
        '\\.vue$': '<rootDir>/test/vueTransform.mjs',
        ...compiled,
      },
      moduleFileExtensions: ['ts', 'mjs', 'js', 'json', 'vue'],
      // Vue's own builds for Node also where the page is simulated.
      testEnvironmentOptions: { customExportConditions: ['node', 'node-addons'] },
    }),
    project('server', { globalSetup: '<rootDir>/test/globalSetup.mjs', globalTeardown: '<rootDir>/test/globalTeardown.mjs' }),
  ],
}
