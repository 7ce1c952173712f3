import js from '@eslint/js';
import vue from 'eslint-plugin-vue';
import globals from 'globals';
import tseslint from 'typescript-eslint';
import vueParser from 'vue-eslint-parser';

const READABLE_FACE = { selector: 'ExportAllDeclaration', message: 'A face is a list that one can read: name what it shows.' };
const NO_CLOCK = 'core has no clock and no chance of its own: pass time and randomness in.';

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', 'web/components.d.ts', '.data/**', 'test-results/**'] },
  js.configs.recommended,
  { files: ['**/*.mjs', '**/*.cjs', '**/*.js'], languageOptions: { globals: globals.node } },
  {
    files: ['**/*.ts'],
    extends: [...tseslint.configs.strictTypeChecked],
    languageOptions: {
      globals: globals.browser,
      // One program for all of it: a project each would check core anew eight times.
      parserOptions: { project: './tsconfig.lint.json', tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true }],
      '@typescript-eslint/no-confusing-void-expression': ['error', { ignoreArrowShorthand: true }],
      '@typescript-eslint/require-await': 'off',
      '@typescript-eslint/no-unnecessary-condition': ['error', { allowConstantLoopConditions: true }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
    },
  },
  {
    // Each .vue file that is linted with types costs a program of its own; vue-tsc sees their types, all at once.
    files: ['**/*.vue'],
    extends: [...tseslint.configs.strict, ...vue.configs['flat/recommended']],
    languageOptions: { globals: globals.browser, parser: vueParser, parserOptions: { parser: tseslint.parser } },
    rules: {
      // The compiler's noImplicitReturns knows which switch is whole.
      'vue/return-in-computed-property': 'off',
      'vue/require-default-prop': 'off',
      'vue/max-attributes-per-line': 'off',
      'vue/html-self-closing': 'off',
      'vue/singleline-html-element-content-newline': 'off',
      'vue/multiline-html-element-content-newline': 'off',
      'vue/html-indent': 'off',
      'vue/html-closing-bracket-newline': 'off',
      'vue/first-attribute-linebreak': 'off',
    },
  },
  {
    files: ['**/*.ts', '**/*.vue'],
    rules: {
      '@typescript-eslint/consistent-type-imports': 'error',
      eqeqeq: 'error',
      'max-lines': ['error', { max: 310, skipBlankLines: true }],
    },
  },
  {
    // TypeScript sees a .vue import as any outside vue-tsc, which checks these for real.
    files: ['web/**/*.{ts,vue}'],
    rules: { '@typescript-eslint/no-unsafe-assignment': 'off', '@typescript-eslint/no-unsafe-argument': 'off' },
  },
  {
    files: ['web/src/**/*.vue'],
    rules: { 'max-lines': ['error', { max: 220, skipBlankLines: true }] },
  },
  { files: ['**/index.ts'], rules: { 'no-restricted-syntax': ['error', READABLE_FACE] } },
  {
    files: ['core/src/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Date', property: 'now', message: NO_CLOCK },
        { object: 'Math', property: 'random', message: NO_CLOCK },
      ],
      'no-restricted-syntax': [
        'error',
        READABLE_FACE,
        { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: NO_CLOCK },
      ],
    },
  },
  {
    files: ['**/*.test.ts', 'server/src/test/*.ts', 'core/src/reference/*.ts', 'e2e/**/*.ts'],
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'off',
      'no-empty-pattern': 'off',
      '@typescript-eslint/no-unsafe-call': 'off',
      '@typescript-eslint/no-unnecessary-type-parameters': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
    },
  },
  // Where nothing is ever waited for, types are the compiler's alone in `npm test`; `npm run lint` asks every rule of everything.
  ...(process.env['LINT'] === 'whole' ? [] : [{ files: ['{core,tell,contract}/**/*.ts'], extends: [tseslint.configs.disableTypeChecked] }]),
);
