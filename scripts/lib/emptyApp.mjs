// An empty application on the same stack, to be measured beside Tufa: one route, one line of text.
import { createHash } from 'node:crypto';
import { cpSync, existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { compress, copyFonts } from './build.mjs';
import { root, run, say } from './run.mjs';

/** Of Tufa's own application: what the stack is set up by. Each is a file or a folder of files. */
const COPIED = [
  'app.json',
  'babel.config.js',
  'metro.config.js',
  'straightImports.js',
  'tailwind.config.js',
  'package.json',
  'global.css',
  'parts/ui/tokens.json',
  'public',
];

/** A hash of what the export is made of, this file and the versions of packages included. */
function madeOf() {
  const hash = createHash('sha256');
  const add = (path) => {
    hash.update(path);
    hash.update(readFileSync(path));
  };
  for (const name of COPIED) {
    const path = join(root, 'app', name);
    if (name !== 'public') add(path);
    else
      for (const entry of readdirSync(path, { recursive: true, withFileTypes: true }))
        if (entry.isFile()) add(join(entry.parentPath ?? entry.path, entry.name));
  }
  add(join(root, 'package-lock.json'));
  add(join(root, 'scripts/lib/emptyApp.mjs'));
  return hash.digest('hex');
}

/** @returns the folder of its export, built once for what it is made of */
export function ensureEmptyApp() {
  const home = join(root, 'app/.empty');
  const dist = join(home, 'dist');
  const stamp = join(home, 'built-for');
  copyFonts();
  const made = madeOf();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === made) return dist;
  say('Building the empty application to compare with ...');
  rmSync(home, { recursive: true, force: true });
  mkdirSync(join(home, 'routes'), { recursive: true });
  for (const name of COPIED) cpSync(join(root, 'app', name), join(home, name), { recursive: true });
  writeFileSync(
    join(home, 'routes/_layout.tsx'),
    "import '../global.css';\nimport { Slot } from 'expo-router';\nexport default function Layout() {\n  return <Slot />;\n}\n",
  );
  writeFileSync(
    join(home, 'routes/index.tsx'),
    'import { Text } from \'react-native\';\nexport default function Index() {\n  return <Text role="heading" aria-level={1}>Empty</Text>;\n}\n',
  );
  run(process.execPath, [join(root, 'node_modules/expo/bin/cli'), 'export', '--platform', 'web'], {
    cwd: home,
    env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
  });
  compress(dist);
  writeFileSync(stamp, made);
  return dist;
}
