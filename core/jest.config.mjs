export default {
  testEnvironment: 'node',
  // Looked up through the sandbox, Math makes the heavy loops several times slower.
  sandboxInjectedGlobals: ['Math'],
  roots: ['<rootDir>/src'],
  testMatch: ['**/*.spec.ts'],
  moduleNameMapper: { '^(\\.{1,2}/.*)\\.js$': '$1' },
  transform: {
    '^.+\\.(ts|js)$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }],
  },
  transformIgnorePatterns: ['/node_modules/(?!flatbush|flatqueue|quickselect)'],
};
