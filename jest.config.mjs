const transform = {
  '^.+\\.(tsx?|mjs|js)$': [
    '@swc/jest',
    {
      jsc: {
        parser: { syntax: 'typescript', tsx: true },
        transform: { react: { runtime: 'automatic' } },
        target: 'es2022',
      },
    },
  ],
};
const shared = {
  transform,
  // Packages that ship as ES modules only.
  transformIgnorePatterns: [
    'node_modules/(?!(ml-|is-any-array|get-port|three|d3-polygon|@gltf-transform|property-graph))',
  ],
  moduleNameMapper: {
    '^@/(.*)$': '<rootDir>/src/$1',
    '^three$': '<rootDir>/node_modules/three/build/three.module.js',
  },
};

/** `unit` runs in Node, `ui` in jsdom, `e2e` drives the built application in Chromium. */
const config = {
  projects: [
    {
      ...shared,
      displayName: 'unit',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/{src,cli,scripts}/**/*.test.ts'],
    },
    {
      ...shared,
      displayName: 'ui',
      testEnvironment: 'jsdom',
      testMatch: ['<rootDir>/src/**/*.test.tsx'],
      setupFilesAfterEnv: ['<rootDir>/src/test/setup-ui.ts'],
    },
    {
      ...shared,
      displayName: 'e2e',
      testEnvironment: 'node',
      testMatch: ['<rootDir>/e2e/**/*.test.ts'],
      setupFilesAfterEnv: ['<rootDir>/e2e/setup.ts'],
    },
  ],
};

export default config;
