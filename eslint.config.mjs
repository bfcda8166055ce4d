import js from '@eslint/js';
import astro from 'eslint-plugin-astro';
import jsxA11y from 'eslint-plugin-jsx-a11y';
import reactHooks from 'eslint-plugin-react-hooks';
import globals from 'globals';
import tseslint from 'typescript-eslint';

/** Core's folders from the bottom up: each may import only from those before it, so imports run one way and never in a circle. */
const CORE_LAYERS = [
  'measure',
  'table',
  'stock',
  'rules',
  'forms',
  'plan',
  'limits',
  'shell',
  'openings',
  'courses',
  'best',
  'inserts',
  'tally',
  'footing',
  'bucks',
  'steel',
  'bracing',
  'topoff',
  'pressure',
  'rehearsal',
  'pour',
  'order',
  'notices',
];

const coreDirection = CORE_LAYERS.map((layer, index) => ({
  files: [`core/src/${layer}/**/*.ts`],
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          {
            group: [
              ...CORE_LAYERS.slice(index + 1).flatMap((above) => [`../${above}`, `../${above}/*`]),
              '../work',
              '../report',
              '../report/*',
              '../index',
            ],
            message: `${layer} stands below this; imports in core run down only.`,
          },
          {
            group: ['react', 'astro', 'astro:*', 'node:*', 'knex', '@ombra/*'],
            message: 'The core is pure.',
          },
        ],
      },
    ],
  },
}));

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
      eqeqeq: 'error',
    },
  },
  {
    files: ['**/*.mjs', '**/*.astro', '**/*.astro/*.ts'],
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
