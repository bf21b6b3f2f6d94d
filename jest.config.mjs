/** TypeScript and the few packages that ship only as modules are compiled for Jest. */
const compile = ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }]

const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: name,
  testMatch: ['<rootDir>/**/*.test.ts'],
  testEnvironment: 'node',
  transform: { '^.+\\.ts$': compile, '/node_modules/(pinia|nostics|@vueuse/[a-z]+|ml-[a-z-]+|is-any-array)/.+\\.m?js$': compile },
  // Workspace packages are linked into node_modules as TypeScript source.
  transformIgnorePatterns: ['/node_modules/(?!@level-stance/|pinia/|nostics/|@vueuse/|ml-|is-any-array/)'],
  ...extra,
})

export default {
  projects: [
    project('core'),
    project('web'),
    project('server', { globalSetup: '<rootDir>/test/globalSetup.mjs', globalTeardown: '<rootDir>/test/globalTeardown.mjs' }),
  ],
}
