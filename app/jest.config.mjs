export default {
  // Workers answer in the tests' own thread: a walk's light among hundreds of houses takes seconds there.
  testTimeout: 30_000,
  preset: 'jest-preset-angular',
  testEnvironment: '<rootDir>/src/testing/environment.cjs',
  setupFilesAfterEnv: ['<rootDir>/src/testing/setup.ts'],
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  moduleNameMapper: {
    '^@roam-dial/core/(.*)$': '<rootDir>/../core/dist/$1/index.js',
    '/create$': '<rootDir>/src/testing/in-thread-worker.ts',
  },
  transform: {
    '^.+\\.(ts|js|mjs|html|svg)$': [
      'jest-preset-angular',
      {
        tsconfig: '<rootDir>/tsconfig.spec.json',
        stringifyContentPathRegex: '\\.(html|svg)$',
        processWithEsbuild: ['**/core/dist/**/*.js', '**/node_modules/{flatbush,flatqueue,quickselect,d3-*,internmap}/**/*.js'],
      },
    ],
  },
  transformIgnorePatterns: ['node_modules/(?!.*\\.mjs$|flatbush|flatqueue|quickselect|d3-|internmap|@roam-dial)'],
};
