const root = `${__dirname}/..`;

module.exports = {
  displayName: 'app',
  preset: 'jest-expo/web',
  rootDir: __dirname,
  sandboxInjectedGlobals: ['Math'],
  testMatch: ['<rootDir>/test/**/*.test.{ts,tsx}'],
  modulePathIgnorePatterns: ['<rootDir>/.empty', '<rootDir>/dist'],
  moduleNameMapper: {
    '\\.css$': '<rootDir>/test/empty.js',
    '^expo-router(/head)?$': '<rootDir>/test/router.tsx',
    '/planWorker$': '<rootDir>/test/planWorker.ts',
    '^convert$': `${root}/node_modules/convert/dist/index.js`,
    '^lucide-react-native/icons/(.*)$': `${root}/node_modules/lucide-react-native/dist/cjs/icons/$1.js`,
  },
  // The preset leaves modules that say so in their name as they are.
  transform: { '\\.mjs$': 'babel-jest' },
  transformIgnorePatterns: [
    '/node_modules/(?!((jest-)?react-native|@react-native(-community)?|expo(nent)?|@expo(nent)?/.*|react-navigation|@react-navigation/.*|react-native-svg|react-native-web|lucide-react-native|nativewind|react-native-css-interop|d3-[^/]*|@kninnug/constrainautor|delaunator|robust-predicates|internmap|uuid|idb|convert|@noble|suncalc|pure-rand|i18next|fake-indexeddb)/)',
  ],
};
