const esm =
  'suncalc|pure-rand|@noble/hashes|convert|d3-[^/]*|@kninnug/constrainautor|delaunator|robust-predicates|internmap|uuid|idb|i18next|react-i18next|p-retry|is-network-error';
const swc = [
  '@swc/jest',
  {
    jsc: {
      target: 'es2022',
      parser: { syntax: 'typescript', tsx: true, decorators: true },
      transform: { legacyDecorator: true, react: { runtime: 'automatic' } },
    },
    module: { type: 'commonjs' },
  },
];
const node = (name) => ({
  displayName: name,
  rootDir: `${__dirname}/${name}`,
  testEnvironment: 'node',
  // A test's world looks up what is global slowly: with this the core computes three times as fast.
  sandboxInjectedGlobals: ['Math'],
  testMatch: ['<rootDir>/**/*.test.ts'],
  transform: { '^.+\\.m?[jt]sx?$': swc },
  moduleNameMapper: { '^convert$': `${__dirname}/node_modules/convert/dist/index.js` },
  transformIgnorePatterns: [`/node_modules/(?!(${esm})/)`],
  // npm run nudge changes one constant before the core's tests load it.
  ...(name === 'core' ? { setupFiles: ['<rootDir>/testing/seed.ts', ...(process.env.TUFA_NUDGE ? ['<rootDir>/testing/nudge.ts'] : [])] } : {}),
});
// No test is about time: one that hangs is ended, a slow machine fails none.
module.exports = {
  testTimeout: 30_000,
  projects: [...['core', 'draw', 'contract', 'words', 'server', 'cli', 'stand-ins'].map(node), '<rootDir>/app/jest.config.js'],
};
