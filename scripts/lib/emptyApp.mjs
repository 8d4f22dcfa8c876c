// An empty application on the same stack, to be measured beside Tufa: one route, one line of text.
import { cpSync, existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { compress } from './build.mjs';
import { root, run, say } from './run.mjs';

/** @returns the folder of its export, built once for each lock file */
export function ensureEmptyApp() {
  const home = join(root, 'app/.empty');
  const dist = join(home, 'dist');
  const stamp = join(home, 'built-for');
  const lock = readFileSync(join(root, 'package-lock.json'), 'utf8').length;
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === String(lock)) return dist;
  say('Building the empty application to compare with ...');
  rmSync(home, { recursive: true, force: true });
  mkdirSync(join(home, 'routes'), { recursive: true });
  for (const file of ['app.json', 'babel.config.js', 'metro.config.js', 'tailwind.config.js', 'package.json', 'global.css'])
    cpSync(join(root, 'app', file), join(home, file));
  cpSync(join(root, 'app/parts/ui/tokens.json'), join(home, 'parts/ui/tokens.json'));
  cpSync(join(root, 'app/public'), join(home, 'public'), { recursive: true });
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
  writeFileSync(stamp, String(lock));
  return dist;
}
