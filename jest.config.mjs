const project = (name, extra = {}) => ({
  displayName: name,
  rootDir: name,
  testMatch: ['<rootDir>/**/*.test.ts'],
  testEnvironment: 'node',
  transform: {
    '^.+\\.ts$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }],
  },
  // Workspace packages are linked into node_modules as TypeScript source.
  transformIgnorePatterns: ['/node_modules/(?!@level-stance/)'],
  ...extra,
})

export default {
  projects: [
    project('core'),
    project('server', { globalSetup: '<rootDir>/test/globalSetup.mjs', globalTeardown: '<rootDir>/test/globalTeardown.mjs' }),
  ],
}
