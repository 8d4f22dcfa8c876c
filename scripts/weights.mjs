// npm run weights [-- PART]: what is in each part of the built application, by folder or package; of one part by file.
import { existsSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants } from 'node:zlib';
import { main, root, run, say } from './lib/run.mjs';
import { ensurePackages } from './lib/packages.mjs';

/** So many are named of each part. */
const NAMED = 12;

/** Where a source belongs: its package, or its first two folders here. */
function homeOf(source) {
  const [, inPackage] = /.*node_modules\/((?:@[^/]+\/)?[^/]+)/.exec(source) ?? [];
  if (inPackage && !inPackage.startsWith('@tufa')) return inPackage;
  return source
    .replace(/^[/\0]+/, '')
    .split('/')
    .slice(0, -1)
    .slice(0, 2)
    .join('/');
}

main(async () => {
  await ensurePackages();
  const { TraceMap, eachMapping } = await import('@jridgewell/trace-mapping');
  const { copyFonts } = await import('./lib/build.mjs');
  copyFonts();
  const out = join(root, '.tufa/weights');
  rmSync(out, { recursive: true, force: true });
  run(process.execPath, [join(root, 'node_modules/expo/bin/cli'), 'export', '--platform', 'web', '--source-maps', '--output-dir', out], {
    cwd: join(root, 'app'),
    env: { EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' },
  });
  const folder = join(out, '_expo/static/js/web');
  const wanted = process.argv[2];
  const parts = readdirSync(folder)
    .filter((file) => file.endsWith('.js') && existsSync(join(folder, `${file}.map`)) && (!wanted || file.startsWith(`${wanted}-`)))
    .map((file) => {
      const text = readFileSync(join(folder, file));
      return { file, text, brotli: brotliCompressSync(text, { params: { [constants.BROTLI_PARAM_QUALITY]: 10 } }).length };
    })
    .sort((a, b) => b.brotli - a.brotli);
  for (const { file, text, brotli } of parts) {
    say(`${file.replace(/-[0-9a-f]{32}\.js$/, '')}: ${(brotli / 1000).toFixed(1)} kB brotli, ${(text.length / 1000).toFixed(0)} kB`);
    const lines = text.toString('utf8').split('\n');
    const bytes = new Map();
    let last = null;
    const count = (upTo) => last?.source && bytes.set(last.source, (bytes.get(last.source) ?? 0) + upTo - last.column);
    eachMapping(new TraceMap(readFileSync(join(folder, `${file}.map`), 'utf8')), ({ generatedLine, generatedColumn, source }) => {
      if (last && last.line === generatedLine) count(generatedColumn);
      else if (last) count(lines[last.line - 1].length);
      last = { line: generatedLine, column: generatedColumn, source };
    });
    const homes = new Map();
    for (const [source, size] of bytes) {
      const home = wanted ? source : homeOf(source);
      homes.set(home, (homes.get(home) ?? 0) + size);
    }
    const sorted = [...homes].sort(([, a], [, b]) => b - a).slice(0, wanted ? Infinity : NAMED);
    // What a folder weighs compressed is not to be told apart: its share of the whole part stands for it.
    for (const [home, size] of sorted) say(`  ${((size / text.length) * (brotli / 1000)).toFixed(1).padStart(7)} kB  ${home}`);
  }
});
