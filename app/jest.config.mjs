export default {
  // Workers answer in the tests' own thread: a walk's light among hundreds of houses takes seconds there.
  testTimeout: 30_000,
  preset: 'jest-preset-angular',
  testEnvironment: '<rootDir>/src/testing/environment.cjs',
  setupFilesAfterEnv: ['<rootDir>/src/testing/setup.ts'],
  testMatch: ['<rootDir>/src/**/*.spec.ts'],
  moduleNameMapper: {
    '^@roam-dial/core$': '<rootDir>/../core/dist/index.js',
    '^@roam-dial/core/formats$': '<rootDir>/../core/dist/formats/index.js',
    '^@roam-dial/core/log$': '<rootDir>/../core/dist/log/index.js',
    '^@roam-dial/core/log-files$': '<rootDir>/../core/dist/formats/logFiles.js',
    '^@roam-dial/core/maps$': '<rootDir>/../core/dist/formats/maps.js',
    '^@roam-dial/core/walk-files$': '<rootDir>/../core/dist/formats/walkFiles.js',
    '/create-(set-up|light|map|ways|frame)-worker$': '<rootDir>/src/testing/in-thread-worker.ts',
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
