import eslint from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

const noClock = [
  {
    selector: "CallExpression[callee.object.name='Date'][callee.property.name='now']",
    message: 'The core has no clock: take the time as an argument.',
  },
  {
    selector: "NewExpression[callee.name='Date'][arguments.length=0]",
    message: 'The core has no clock: take the time as an argument.',
  },
  {
    selector: "CallExpression[callee.object.name='Math'][callee.property.name='random']",
    message: 'The core has no randomness of its own.',
  },
];

const fetchedOnly = [
  {
    selector: 'ImportExpression:not(CallExpression[callee.name=/^(fetched|part)$/] ImportExpression)',
    message: 'Load it through fetched() or part(): a part that cannot be loaded must say so, and be tried again.',
  },
];

const deferredSpeak = [
  {
    selector: 'DeferredBlock[error=null]',
    message: 'Give it an @error block: a part that cannot be loaded must say so, and offer a way on.',
  },
];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/.angular/**', '**/node_modules/**', '**/test-results/**', '**/*.mjs'] },
  {
    files: ['**/*.ts'],
    extends: [eslint.configs.recommended, ...tseslint.configs.strict, ...tseslint.configs.stylistic],
    rules: {
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/explicit-module-boundary-types': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', ignoreRestSiblings: true }],
      '@typescript-eslint/no-import-type-side-effects': 'error',
      eqeqeq: ['error', 'always', { null: 'ignore' }],
      'max-lines': ['error', { max: 340, skipBlankLines: true, skipComments: true }],
      'no-console': 'error',
      'prefer-const': 'error',
    },
  },
  { files: ['**/index.ts'], rules: { 'max-lines': 'off' } },
  { files: ['core/src/**/*.ts'], ignores: ['**/*.spec.ts'], rules: { 'no-restricted-syntax': ['error', ...noClock] } },
  {
    files: ['app/src/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      'no-restricted-syntax': ['error', ...fetchedOnly],
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: 'rd', style: 'kebab-case' }],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      // A component may be all template.
      '@typescript-eslint/no-extraneous-class': ['error', { allowWithDecorator: true }],
    },
  },
  // What a room's pages load, shell/routes.ts asks for through part().
  { files: ['app/src/app/rooms/*/room.ts', '**/*.spec.ts'], rules: { 'no-restricted-syntax': 'off' } },
  {
    files: ['app/src/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: { 'no-restricted-syntax': ['error', ...deferredSpeak] },
  },
  {
    // Specs spoil data on purpose, which needs types that the code itself forbids.
    files: ['**/*.spec.ts'],
    rules: { '@typescript-eslint/no-explicit-any': 'off', '@typescript-eslint/explicit-module-boundary-types': 'off' },
  },
);
