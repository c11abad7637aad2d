export default {
  testEnvironment: 'node',
  roots: ['<rootDir>/src'],
  moduleNameMapper: {
    '^(\\.{1,2}/.*)\\.js$': '$1',
    '^@roam-dial/core/(.*)$': '<rootDir>/../core/src/$1/index.ts',
  },
  transform: {
    '^.+\\.(ts|js)$': ['@swc/jest', { jsc: { parser: { syntax: 'typescript' }, target: 'es2022' }, module: { type: 'commonjs' } }],
  },
  transformIgnorePatterns: ['/node_modules/(?!flatbush|flatqueue|quickselect)'],
};
