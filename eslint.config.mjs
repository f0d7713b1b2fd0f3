import { createRequire } from 'node:module';
import tseslint from 'typescript-eslint';

// angular-eslint is declared beside Angular, in apps/web.
const angular = createRequire(new URL('./apps/web/package.json', import.meta.url))('angular-eslint');

const views = [
  'today',
  'exercises',
  'routines',
  'students',
  'practise',
  'classes',
  'files',
  'schools',
  'sources',
  'film',
  'tour',
];
const noStorage = { group: ['dexie', 'dexie/*'], message: 'Only data/ touches the storage.' };
const noForeign = {
  group: ['ical.js', 'jsonc-parser', 'papaparse'],
  message: 'Only formats/ of the core reads and writes foreign text.',
};
/** The one way to edit (docs/architecture.md): what the old ways looked like. */
const oldWays = {
  templates: [
    {
      selector: ':matches(Element, Element$1)[name=/^(input|textarea)$/] > BoundAttribute[name="ngModel"]',
      message: 'Text is typed into [pkText], which shows what its owner types until it is left.',
    },
    {
      selector:
        ':matches(Element, Element$1)[name=/^(input|textarea)$/]:not(:has(TextAttribute[value=/^(file|radio|checkbox)$/])) > BoundEvent[name="change"]',
      message: 'A text that is only told when it is left is lost when the page is: use [pkText].',
    },
  ],
  writes: [
    {
      selector: 'Property[key.name="change"] > ArrowFunctionExpression[params.length=0]',
      message: 'A write is a function of what is stored, never of what was read before.',
    },
  ],
};
const testFiles = ['**/*.test.ts', '**/*.spec.ts', '**/testing/**', 'e2e/**'];

/** The floors of the core, the ground first: a folder imports only what lies below it. */
const floors = [
  'text',
  'days',
  'random',
  'words',
  'alignment',
  'screening',
  'body',
  'breath',
  'library',
  'schools',
  'routine',
  'axis',
  'fit',
  'figure',
  'bodyForm',
  'endurance',
  'practice',
  'load',
  'students',
  'film',
  'corrections',
  'goals',
  'care',
  'person',
  'limits',
  'findings',
  'layOut',
  'plan',
  'chain',
  'classes',
  'handover',
  'standing',
  'formats',
  'demo',
];
const noInterface = {
  group: ['@angular/*', 'rxjs', 'rxjs/*', 'primeng/*', '@pomek/*', '**/apps/**'],
  message: 'The core has no interface code.',
};
/** What lies above a floor, from any depth of its folder; null for the highest. */
const above = (floor) => {
  const higher = floors.slice(floors.indexOf(floor) + 1);
  if (higher.length === 0) return [];
  const group = higher.flatMap((name) => [`../${name}`, `../${name}/**`, `../../${name}`, `../../${name}/**`]);
  return [{ group, message: `${floor}/ imports only the floors below it (docs/architecture.md).` }];
};
const noView = {
  group: views.flatMap((view) => [`../${view}/*`, `../../${view}/*`]),
  message: 'A view imports core, data, compute and ui, never another view; what views share imports none.',
};

const without = (view) => ({ ...noView, group: noView.group.filter((path) => !path.endsWith(`/${view}/*`)) });

/** The layers of the code as lint rules: what may import what. */
const layers = [
  {
    files: ['packages/core/src/**/*.ts'],
    ignores: testFiles,
    rules: {
      'no-restricted-globals': ['error', 'window', 'document', 'localStorage', 'indexedDB', 'fetch', 'navigator'],
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'Randomness is seeded and passed in.' },
        { object: 'Date', property: 'now', message: 'Time comes from a clock that is passed in.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: 'NewExpression[callee.name="Date"][arguments.length=0]',
          message: 'Time comes from a clock that is passed in.',
        },
        {
          selector: 'ImportDeclaration[source.value=/^(\\.|\\.\\.)$/]',
          message: 'A file imports files, never the whole folder that it is in.',
        },
      ],
    },
  },
  ...floors.map((floor) => ({
    files: [`packages/core/src/${floor}/**/*.ts`],
    ignores: testFiles,
    rules: {
      'no-restricted-imports': [
        'error',
        { patterns: [noInterface, noStorage, ...(floor === 'formats' ? [] : [noForeign]), ...above(floor)] },
      ],
    },
  })),
  {
    files: ['apps/web/src/app/**/*.ts'],
    ignores: [...testFiles, 'apps/web/src/app/data/**'],
    rules: { 'no-restricted-imports': ['error', { patterns: [noStorage, noForeign] }] },
  },
  {
    files: ['ui', 'print', 'compute', 'give', 'decide'].map((shared) => `apps/web/src/app/${shared}/**/*.ts`),
    ignores: testFiles,
    rules: { 'no-restricted-imports': ['error', { patterns: [noStorage, noForeign, noView] }] },
  },
  {
    // The frame opens one drawer over every view.
    files: ['apps/web/src/app/shell/**/*.ts'],
    ignores: testFiles,
    rules: { 'no-restricted-imports': ['error', { patterns: [noStorage, noForeign, without('schools')] }] },
  },
  {
    files: ['apps/web/src/app/data/**/*.ts'],
    ignores: testFiles,
    rules: { 'no-restricted-imports': ['error', { patterns: [noForeign, noView] }] },
  },
  ...views.map((view) => ({
    files: [`apps/web/src/app/${view}/**/*.ts`],
    ignores: testFiles,
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [noStorage, noForeign, without(view)],
        },
      ],
    },
  })),
];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/node_modules/**', '**/.angular/**', 'test-results/**', 'bench-results/**'] },
  {
    files: ['**/*.{ts,tsx}'],
    extends: [...tseslint.configs.strictTypeChecked, ...tseslint.configs.stylisticTypeChecked],
    languageOptions: {
      parserOptions: {
        project: [
          'packages/core/tsconfig.json',
          'packages/device/tsconfig.json',
          'packages/space/tsconfig.json',
          'apps/sheet/tsconfig.json',
          'apps/server/tsconfig.json',
          'apps/web/tsconfig.json',
          'apps/web/tsconfig.worker.json',
          'apps/web/tsconfig.finder.json',
          'e2e/tsconfig.json',
        ],
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: true, allowBoolean: true }],
      '@typescript-eslint/no-confusing-void-expression': 'off',
      '@typescript-eslint/no-extraneous-class': 'off',
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/switch-exhaustiveness-check': ['error', { considerDefaultExhaustiveForUnions: true }],
      '@typescript-eslint/unbound-method': 'off',
      '@typescript-eslint/no-unsafe-class-instance-assignment': 'off',
      'no-console': ['error', { allow: ['error', 'warn'] }],
    },
  },
  {
    files: ['apps/web/**/*.ts'],
    extends: [...angular.configs.tsRecommended],
    processor: angular.processInlineTemplates,
    rules: {
      '@angular-eslint/prefer-on-push-component-change-detection': 'error',
      '@angular-eslint/component-selector': ['error', { type: 'element', prefix: ['pk', 'bare'], style: 'kebab-case' }],
    },
  },
  {
    files: ['apps/web/bare/**/*.ts'],
    rules: { '@angular-eslint/prefer-on-push-component-change-detection': 'off' },
  },
  {
    files: ['**/*.html'],
    ignores: ['**/index.html'],
    extends: [...angular.configs.templateRecommended, ...angular.configs.templateAccessibility],
    rules: { '@angular-eslint/template/label-has-associated-control': 'off' },
  },
  { files: ['apps/server/src/main.ts'], rules: { 'no-console': 'off' } },
  {
    files: testFiles,
    rules: {
      '@typescript-eslint/no-unsafe-assignment': 'off',
      '@typescript-eslint/no-unsafe-argument': 'off',
      '@typescript-eslint/no-unsafe-member-access': 'off',
    },
  },
  {
    files: ['**/*.spec.ts'],
    rules: { '@typescript-eslint/dot-notation': ['error', { allowProtectedClassPropertyAccess: true }] },
  },
  {
    files: ['apps/web/src/app/**/*.html'],
    // It keeps its owner's text itself and leaves only the reading as a number to the control.
    ignores: ['**/ui/number-field.ts/**'],
    rules: { 'no-restricted-syntax': ['error', ...oldWays.templates] },
  },
  {
    files: ['apps/web/src/app/**/*.ts'],
    ignores: testFiles,
    rules: { 'no-restricted-syntax': ['error', ...oldWays.writes] },
  },
  ...layers,
);
