import { createRequire } from 'node:module';
import next from 'eslint-config-next/core-web-vitals';
import prettier from 'eslint-config-prettier';
import tseslint from 'typescript-eslint';

const require = createRequire(import.meta.url);
const importPlugin = next
  .flatMap((entry) => Object.entries(entry.plugins ?? {}))
  .find(([name]) => name === 'import')?.[1];

/** Rooms of core from the ground up: each uses only those below it. */
const FLOORS = [
  'geometry',
  'corners',
  'model',
  'verdict',
  'freedoms',
  'find',
  'kinematics',
  'motion',
  'upright',
  'strength',
  'takeoff',
  'tolerance',
  'clearance',
  'scan',
  'damper',
  'loads',
  'column',
  'steering',
  'bumpsteer',
  'ackermann',
  'rack',
  'arms',
  'sheets',
  'shop',
  'instruments',
  'check',
  'training',
  'setup',
  'plan',
  'judging',
  'report',
  'file',
  'summary',
];

/** Imports point one way: ui → server → db → core, and everything may use core. */
const zones = [
  { target: './src/core', from: ['./src/db', './src/server', './src/ui', './src/app'] },
  { target: './src/db', from: ['./src/server', './src/ui', './src/app'] },
  { target: './src/server', from: ['./src/ui', './src/app'] },
  { target: './src/ui', from: ['./src/db', './src/app'] },
  { target: './src/workers', from: ['./src/db', './src/server', './src/ui', './src/app'] },
  { target: './src/app', from: ['./src/db', './src/core'] },
  {
    target: './cli/!(backup|*.test).ts',
    from: ['./src/db', './src/server', './src/ui', './src/app'],
  },
  { target: './src/!(test)/**/!(*.test).ts*', from: './src/test' },
].map((zone) => ({ ...zone, message: 'Imports point one way: ui → server → db → core.' }));

const floors = FLOORS.slice(0, -1).map((room, i) => ({
  target: `./src/core/${room}/**/!(*.test).ts`,
  from: FLOORS.slice(i + 1).map((above) => `./src/core/${above}`),
  message: `${room} stands below: a room of core uses only those under it.`,
}));

const config = tseslint.config(
  { ignores: ['.next/**', 'node_modules/**', 'data/**', 'coverage/**', 'next-env.d.ts'] },
  ...next,
  ...tseslint.configs.strict,
  {
    files: ['**/*.ts', '**/*.tsx'],
    plugins: { import: importPlugin },
    settings: {
      'import/resolver': { [require.resolve('eslint-import-resolver-typescript')]: true },
    },
    rules: {
      'import/no-restricted-paths': [
        'error',
        { zones: [...zones, ...floors], basePath: import.meta.dirname },
      ],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/no-non-null-assertion': 'off',
      '@typescript-eslint/no-dynamic-delete': 'off',
      '@typescript-eslint/consistent-type-imports': 'error',
    },
  },
  {
    // Core is computation alone.
    files: ['src/core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            'react',
            'react/*',
            'react-dom',
            'next',
            'next/*',
            '@mui/*',
            'sequelize',
            'sqlite3',
            'zustand',
          ],
        },
      ],
      'no-restricted-globals': ['error', 'window', 'document', 'process'],
    },
  },
  prettier,
);

export default config;
