// The two things that are built: the web application (Metro export, service worker, compressed copies) and the server's bundle.
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync, copyFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { Advice, main, root, run, say } from './run.mjs';
import { divideShared, WEB } from './sharedParts.mjs';

const WEB_SOURCES = ['app', 'core', 'draw', 'contract', 'words', 'package-lock.json'];
const SKIP = new Set(['.empty', 'node_modules', 'dist', '.expo', 'fonts', 'test', '__tests__']);

function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  let latest = 0;
  for (const entry of readdirSync(path, { withFileTypes: true })) {
    if (SKIP.has(entry.name) || entry.name.endsWith('.test.ts') || entry.name.endsWith('.test.tsx')) continue;
    latest = Math.max(latest, newest(join(path, entry.name)));
  }
  return latest;
}

export function copyFonts() {
  const target = join(root, 'app/public/fonts');
  mkdirSync(target, { recursive: true });
  for (const family of ['atkinson-hyperlegible-next', 'bricolage-grotesque']) {
    const name = `${family}-latin-wght-normal.woff2`;
    copyFileSync(join(root, 'node_modules/@fontsource-variable', family, 'files', name), join(target, name));
  }
}

export function compress(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const path = join(folder, entry.name);
    if (entry.isDirectory()) compress(path);
    else if (/\.(html|js|css|svg|json|webmanifest|map)$/.test(entry.name)) {
      const bytes = readFileSync(path);
      if (bytes.length < 1024) continue;
      writeFileSync(`${path}.gz`, gzipSync(bytes, { level: 9 }));
      writeFileSync(`${path}.br`, brotliCompressSync(bytes, { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }));
    }
  }
}

/**
 * What several parts share is named in the page, and `app/parts/phone/later.ts` fetches with each part what it shares. A
 * page that opens on a step of a job fetches the application first, then what its first screen shares and its own part,
 * each on the whole of the line and the later ones while the first is being read (`app/public/early.js`).
 */
function setInOrder(dist) {
  const page = join(dist, 'index.html');
  const html = readFileSync(page, 'utf8');
  const scripts = [...html.matchAll(/<script src="([^"]+)"[^>]*><\/script>/g)].map(([tag, src]) => ({ tag, src }));
  const [shared] = scripts.filter(({ src }) => src.includes('/__common-'));
  const application = scripts.filter((script) => script !== shared);
  if (!shared || !application.at(-1)?.src.includes('/entry-'))
    throw new Advice('The exported page names no shared part, or no application: look at what the bundler calls them now.');
  const { needed, opened } = divideShared(dist, shared.src.replace(WEB, ''));
  const meta = (name, content) => `<meta name="${name}" content="${JSON.stringify(content).replaceAll('"', '&quot;')}" />`;
  const head = [
    // Before the links: it listens for them.
    '<script src="/early.js"></script>',
    ...application.map(({ src }) => `<link rel="preload" as="script" data-application href="${src}" />`),
    meta('shared', needed),
    meta('parts', opened),
  ].join('');
  writeFileSync(page, scripts.reduce((text, { tag }) => text.replace(tag, ''), html).replace('</head>', `${head}</head>`));
}

/** Exports when the sources are newer than the build. @returns the folder */
export async function ensureWeb() {
  const dist = join(root, 'app/dist');
  const stamp = join(dist, '.built');
  const latest = Math.max(...WEB_SOURCES.map((path) => newest(join(root, path))));
  if (existsSync(stamp) && statSync(stamp).mtimeMs > latest) return dist;
  say('Building the application (a minute or so the first time) ...');
  copyFonts();
  rmSync(dist, { recursive: true, force: true });
  run(process.execPath, [join(root, 'node_modules/expo/bin/cli'), 'export', '--platform', 'web'], {
    cwd: join(root, 'app'),
    env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
  });
  setInOrder(dist);
  const { generateSW } = await import('workbox-build');
  await generateSW({
    globDirectory: dist,
    swDest: join(dist, 'sw.js'),
    globPatterns: ['**/*.{html,js,css,woff2,svg,png,webmanifest,json}'],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    dontCacheBustURLsMatching: /_expo\/static\//,
    inlineWorkboxRuntime: true,
    clientsClaim: true,
    skipWaiting: false,
    maximumFileSizeToCacheInBytes: 8 << 20,
    mode: 'production',
    sourcemap: false,
  });
  compress(dist);
  writeFileSync(stamp, '');
  return dist;
}

/**
 * One file of one workspace's program: the workspaces bundled, everything else from node_modules.
 *
 * @returns {Promise<string>} its path, in the workspace's dist
 */
export async function bundle(workspace, entry = 'src/main.ts') {
  const { build } = await import('esbuild');
  const external = new Set();
  for (const name of ['server', 'contract', 'words', 'draw', 'core']) {
    const { dependencies = {} } = JSON.parse(readFileSync(join(root, name, 'package.json'), 'utf8'));
    for (const dependency of Object.keys(dependencies)) if (!dependency.startsWith('@tufa/')) external.add(dependency);
  }
  const outfile = join(root, workspace, 'dist', `${entry.replace(/^.*\//, '').replace(/\.ts$/, '')}.mjs`);
  await build({
    entryPoints: [join(root, workspace, entry)],
    outfile,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    sourcemap: true,
    external: [...external, ...[...external].map((name) => `${name}/*`)],
    tsconfig: join(root, 'tsconfig.json'),
    logLevel: 'error',
  });
  return outfile;
}

// As a program of its own it builds the web application beside other work.
if (process.argv[1]?.endsWith('build.mjs')) main(ensureWeb);
