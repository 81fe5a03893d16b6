import js from '@eslint/js';
import hooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import ts from 'typescript-eslint';

const A_DRIVERS_KIND =
  'MemberExpression[property.name="kind"]:matches([object.name="driver"], [object.property.name="driver"])';
const ASK_THE_RECORD =
  'What differs by the kind of a driver belongs into its file: ask the record in `drivers/`.';

const OF_DRIVERS = [
  ...['left', 'right'].map((side) => ({
    selector: `BinaryExpression[operator=/^[!=]==?$/] > ${A_DRIVERS_KIND}.${side}`,
    message: ASK_THE_RECORD,
  })),
  { selector: `SwitchStatement > ${A_DRIVERS_KIND}.discriminant`, message: ASK_THE_RECORD },
];
/** What is read on the screen; technical attributes hold no sentences. */
const READ = '/^(title|aria-label|aria-valuetext|placeholder|label|alt|hint|trigger|action|what)$/';
const IN_TEXT = 'Words of the interface belong into `text.ts` of their screen.';
const OF_SOURCES = [
  {
    selector: 'MemberExpression[property.name="setPointerCapture"]',
    message: 'Drags are begun by `beginDrag`: Esc and a lost pointer put everything back.',
  },
  { selector: 'JSXText[value=/[A-Za-z]{2}/]', message: IN_TEXT },
  { selector: `JSXAttribute[name.name=${READ}] > Literal[value=/[A-Za-z]{2}/]`, message: IN_TEXT },
  {
    selector: `JSXAttribute[name.name=${READ}] TemplateElement[value.raw=/[A-Za-z]{2}/]`,
    message: IN_TEXT,
  },
];

export default ts.config(
  {
    ignores: [
      '**/dist/',
      'e2e/fixtures/apps/',
      '.data/',
      '.cache/',
      'node_modules/',
      'demo/',
      '.dependency-cruiser.cjs',
    ],
  },
  js.configs.recommended,
  { files: ['**/*.{mjs,js}'], languageOptions: { globals: globals.node } },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [ts.configs.recommended],
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['playwright.config.ts'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/no-misused-promises': ['error', { checksVoidReturn: { attributes: false } }],
      '@typescript-eslint/await-thenable': 'error',
      '@typescript-eslint/consistent-type-imports': 'error',
      '@typescript-eslint/no-unused-expressions': ['error', { allowTernary: true, allowShortCircuit: true }],
      // A part that is taken out of an object is named with an underscore.
      '@typescript-eslint/no-unused-vars': [
        'error',
        { varsIgnorePattern: '^_', argsIgnorePattern: '^_', ignoreRestSiblings: true },
      ],
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-empty-object-type': 'off',
    },
  },
  {
    files: ['packages/*/src/**/*.{ts,tsx}'],
    ignores: ['**/drivers/**', '**/*.test.{ts,tsx}', '**/testing/**', '**/app/parts/**'],
    rules: {
      'no-restricted-syntax': ['error', ...OF_SOURCES, ...OF_DRIVERS],
      'max-lines-per-function': ['error', 80],
      'max-params': ['error', 5],
    },
  },
  {
    files: ['packages/*/src/**/drivers/**/*.{ts,tsx}'],
    rules: { 'no-restricted-syntax': ['error', ...OF_SOURCES] },
  },
  {
    files: ['e2e/**/*.ts'],
    rules: {
      'no-restricted-syntax': [
        'error',
        {
          selector: 'CallExpression[callee.property.name="waitForTimeout"]',
          message:
            'Wait for a state (`settled`), for the page’s own time (`elapse`), or pause as a hand does (`dwell`).',
        },
      ],
    },
  },
  {
    files: ['packages/web/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': hooks },
    rules: { 'react-hooks/rules-of-hooks': 'error', 'react-hooks/exhaustive-deps': 'error' },
  },
);
