// @ts-check
import js from '@eslint/js';
import angular from 'angular-eslint';
import tseslint from 'typescript-eslint';

export default tseslint.config(
  {
    ignores: ['**/dist/**', '**/.angular/**', '.levamen/**', '**/test-results/**', '**/playwright-report/**'],
  },
  {
    files: ['**/*.ts'],
    extends: [js.configs.recommended, ...tseslint.configs.strict, ...tseslint.configs.stylistic],
    rules: {
      // Array positions that the loop bounds or the type already guarantee.
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      'no-console': 'error',
      eqeqeq: 'error',
    },
  },
  {
    // Core runs anywhere: no DOM, no Node, no framework; its few dependencies are named here.
    files: ['core/src/**/*.ts'],
    ignores: ['core/src/**/*.spec.ts', 'core/src/**/testing/**'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '^(?!\\.|zod$|@date-fns/tz$|date-holidays$|big\\.js$|jsep$|ml-matrix$)',
              message:
                'Core imports Zod, decimals, time-zone offsets, public holidays, a parser of expressions, matrices and itself only.',
            },
          ],
        },
      ],
      'no-restricted-globals': [
        'error',
        'window',
        'document',
        'process',
        'localStorage',
        'fetch',
        'setTimeout',
        'Buffer',
      ],
    },
  },
  {
    files: ['web/src/**/*.ts', 'server/src/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            {
              regex: '(core/src|core/dist|server/src|web/src)',
              message: 'Import @levamen/core; web and server do not know each other.',
            },
          ],
        },
      ],
    },
  },
  {
    files: ['web/src/app/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/component-selector': [
        'error',
        { type: ['element', 'attribute'], prefix: 'lv', style: 'kebab-case' },
      ],
      '@angular-eslint/directive-selector': [
        'error',
        { type: 'attribute', prefix: 'lv', style: 'camelCase' },
      ],
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      // Components are classes without members of their own more often than not.
      '@typescript-eslint/no-extraneous-class': 'off',
    },
  },
  {
    files: ['web/src/app/**/*.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
  },
  { files: ['scripts/**/*.ts', 'scripts/**/*.mjs', 'e2e/**/*.ts'], rules: { 'no-console': 'off' } },
);
