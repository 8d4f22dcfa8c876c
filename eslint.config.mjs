import expo from 'eslint-config-expo/flat.js';
import prettier from 'eslint-config-prettier';
import boundaries from 'eslint-plugin-boundaries';
import tseslint from 'typescript-eslint';

const WORKSPACES = ['core', 'draw', 'contract', 'words', 'server', 'app', 'cli', 'stand-ins', 'e2e', 'scripts'];

/** What each workspace may use: app, server, cli -> words, draw, contract -> core. */
const ARROWS = {
  core: [],
  draw: ['core'],
  contract: ['core'],
  words: ['contract', 'core'],
  server: ['words', 'draw', 'contract', 'core'],
  app: ['words', 'draw', 'contract', 'core'],
  cli: ['words', 'draw', 'contract', 'core'],
  'stand-ins': [],
  e2e: ['words', 'contract', 'core', 'stand-ins'],
  scripts: WORKSPACES,
};

const policiesOf = (arrows) =>
  Object.entries(arrows).map(([from, to]) => ({ from: { element: { type: from } }, allow: { to: { element: { type: [from, ...to] } } } }));

export default tseslint.config(
  { ignores: ['**/node_modules/**', '**/dist/**', '**/.empty/**', '.tufa*/**', 'app/public/**', 'app/.expo/**', '**/*.d.ts'] },
  ...expo,
  ...tseslint.configs.recommended,
  {
    plugins: { boundaries },
    settings: {
      'boundaries/elements': WORKSPACES.map((type) => ({ type, pattern: `${type}/**`, partialMatch: false })),
      'import/resolver': { typescript: { project: ['tsconfig.json', 'app/tsconfig.json'] } },
    },
    rules: {
      'boundaries/dependencies': [
        'error',
        {
          default: 'disallow',
          policies: policiesOf(ARROWS),
        },
      ],
      '@typescript-eslint/no-unused-vars': ['error', { argsIgnorePattern: '^_', varsIgnorePattern: '^_' }],
      '@typescript-eslint/no-require-imports': 'off',
      '@typescript-eslint/no-empty-object-type': 'off',
      'import/no-named-as-default-member': 'off',
      'import/no-named-as-default': 'off',
      'expo/no-dynamic-env-var': 'off',
      eqeqeq: 'error',
      // The compiler of these rules is not used; what it cannot compile is no fault here.
      'react-hooks/incompatible-library': 'off',
      'react-hooks/preserve-manual-memoization': 'off',
      'no-console': 'error',
    },
  },
  {
    // What the server asks of the outside world is tried on its stand-ins.
    files: ['server/test/**'],
    rules: { 'boundaries/dependencies': ['error', { default: 'disallow', policies: policiesOf({ ...ARROWS, server: [...ARROWS.server, 'stand-ins'] }) }] },
  },
  {
    // The compiler knows what a module exports: looking for it once more took two thirds of the time.
    files: ['**/*.{ts,tsx}'],
    rules: { 'import/namespace': 'off', 'import/export': 'off', 'import/named': 'off', 'import/default': 'off' },
  },
  {
    // A variable says what it holds. In the table of sentences a name is a code.
    files: ['**/*.{ts,tsx}'],
    ignores: ['words/**'],
    rules: { 'id-denylist': ['error', 'one', 'held', 'own', 'put'] },
  },
  {
    // The computation is pure: no clock, no chance, no network, no interface.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts', 'core/testing/**'],
    rules: {
      'no-restricted-globals': ['error', 'fetch', 'window', 'document', 'setTimeout', 'setInterval', 'process', 'localStorage'],
      'no-restricted-properties': ['error', { object: 'Math', property: 'random' }, { object: 'Date', property: 'now' }],
      'no-restricted-syntax': ['error', { selector: "NewExpression[callee.name='Date'][arguments.length=0]", message: 'The clock is handed in.' }],
      'import/no-extraneous-dependencies': ['error', { packageDir: ['core'] }],
    },
  },
  ...['draw', 'contract', 'words', 'server', 'cli'].map((workspace) => ({
    files: [`${workspace}/**/*.ts`],
    ignores: ['**/*.test.ts', '**/test/**'],
    rules: { 'import/no-extraneous-dependencies': ['error', { packageDir: [workspace] }] },
  })),
  {
    // Every sentence comes from words/: no letters in a JSX text, child or spoken attribute.
    files: ['app/**/*.tsx'],
    ignores: ['app/**/*.test.tsx'],
    rules: {
      'no-restricted-syntax': [
        'error',
        ...['JSXElement', 'JSXAttribute[name.name=/^(label|aria-label|aria-valuetext|placeholder|title|hint|caption|lead)$/]'].flatMap((place) =>
          [
            'Literal',
            'JSXExpressionContainer > Literal',
            'JSXExpressionContainer > ConditionalExpression > Literal',
            'JSXExpressionContainer > TemplateLiteral > TemplateElement',
          ].map((literal) => ({
            selector: `${place} > ${literal}[${literal.endsWith('TemplateElement') ? 'value.raw' : 'value'}=/[A-Za-z]{2}/]`,
            message: 'Say it through words/.',
          })),
        ),
        { selector: 'JSXText[value=/[A-Za-z]{2}/]', message: 'Say it through words/.' },
        // The browser loads a new document at a Link that is given a handler, or that is none: see Way.
        {
          selector: "JSXOpeningElement[name.name='Link'] > :matches(JSXSpreadAttribute, JSXAttribute[name.name=/^(onPress|onClick)$/])",
          message: 'The router loses its own handler to this one, and the browser loads the page anew: use Way.',
        },
        { selector: "JSXOpeningElement[name.name!='Way'] > JSXAttribute[name.name='role'][value.value='link']", message: 'A link has an address: use Way.' },
      ],
    },
  },
  {
    files: ['scripts/**', '**/*.config.*', '**/jest.config.js', 'app/*.js'],
    languageOptions: { globals: { __dirname: 'readonly', __filename: 'readonly', require: 'readonly', module: 'writable', process: 'readonly' } },
    rules: { 'no-console': 'off', 'import/no-unresolved': 'off' },
  },
  prettier,
);
