import { readFileSync } from 'node:fs';
import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Folders of the kernel from the bottom up: each may import only from those before it, so imports never run in a circle. */
const KERNEL = [
  'judged',
  'measure',
  'table',
  'stock',
  'chance',
  'geometry',
  'rules',
  'figures',
  'forms',
  'plan',
  'record',
  'notices',
  'engine',
];

/** The stages in the order of the work, as `core/src/stages/index.ts` lists them, and the pass before them. */
const STAGES = [
  ...readFileSync(new URL('core/src/stages/index.ts', import.meta.url), 'utf8').matchAll(
    /^ {2}(\w+)Stage,$/gm,
  ),
].map(([, id]) => id);

/** The footing is the earlier work, but the blocks that will stand on it say where it is shimmed. */
const LOOKS_AHEAD = { footing: ['courses', 'tally'] };

const PURE = {
  group: ['react', 'astro', 'astro:*', 'node:*', 'knex', '@ombra/*'],
  message: 'The core is pure.',
};

const down = (files, above, message) => ({
  files: [files],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [{ group: above.flatMap((each) => [each, `${each}/**`]), message }, PURE],
      },
    ],
  },
});

const coreDirection = [
  ...KERNEL.map((layer, index) =>
    down(
      `core/src/kernel/${layer}/**/*.ts`,
      [...KERNEL.slice(index + 1).map((above) => `../${above}`), '**/stages', '**/trials'],
      `kernel/${layer} stands below this; imports in core run down only.`,
    ),
  ),
  ...STAGES.map((stage, index) =>
    down(
      `core/src/stages/${stage}/**/*.ts`,
      [
        ...STAGES.slice(index + 1).flatMap((above) =>
          LOOKS_AHEAD[stage]?.includes(above) ? [] : [`../${above}`],
        ),
        '**/trials',
        '../../work',
        '../../worked',
        '../../rules',
        '../../plan',
      ],
      `${stage} comes before this in the work; imports in core run down only.`,
    ),
  ),
];

export default tseslint.config(
  { ignores: ['**/dist/**', '**/.astro/**', 'data/**', 'test-results/**'] },
  js.configs.recommended,
  ...tseslint.configs.strictTypeChecked,
  ...astro.configs.recommended,
  {
    languageOptions: {
      parserOptions: {
        projectService: { allowDefaultProject: ['*.mjs', 'scripts/*.mjs', 'app/*.mjs'] },
        tsconfigRootDir: import.meta.dirname,
      },
    },
    rules: {
      '@typescript-eslint/no-non-null-assertion': 'error',
      '@typescript-eslint/consistent-type-imports': ['error', { fixStyle: 'inline-type-imports' }],
      '@typescript-eslint/restrict-template-expressions': ['error', { allowNumber: false }],
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
      // Lengths and angles are branded numbers; the rule does not see that they can be negated.
      '@typescript-eslint/no-unsafe-unary-minus': 'off',
      // Stages add to the kernel's lists by declaring more of an interface, which says nothing else by itself.
      '@typescript-eslint/no-empty-object-type': ['error', { allowInterfaces: 'always' }],
      eqeqeq: 'error',
    },
  },
  {
    // More than four take an object of options.
    files: ['{core,app}/src/**/*.{ts,tsx}'],
    rules: { '@typescript-eslint/max-params': ['error', { max: 4 }] },
  },
  {
    // The compiler reads tests and scripts as well; the rules that need its types are for what ships.
    files: [
      '**/*.mjs',
      '**/*.astro',
      '**/*.astro/*.ts',
      '{core,app}/test/**',
      '{e2e,rough,bench,scripts}/**',
      '*.config.ts',
    ],
    ...tseslint.configs.disableTypeChecked,
    languageOptions: { globals: globals.node, parserOptions: { projectService: false, project: null } },
  },
  {
    files: ['app/**/*.tsx'],
    ...jsxA11y.flatConfigs.recommended,
  },
  {
    files: ['app/**/*.{ts,tsx}'],
    plugins: { 'react-hooks': reactHooks },
    rules: reactHooks.configs.recommended.rules,
  },
  {
    // A declaration file that imports would stop being global.
    files: ['**/*.d.ts'],
    rules: { '@typescript-eslint/consistent-type-imports': 'off' },
  },
  ...coreDirection,
);
