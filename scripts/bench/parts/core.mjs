// The core's own speed, in Node, and what the Bench's window sum pulls in of it.
import { gzipSync } from 'node:zlib';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

/** It needs neither a server nor a page of Tufa's. */
export const alone = true;

export default async function core({ home, bundle, figure }) {
  const { coreBench } = await import(await bundle('cli', 'src/coreBench.ts'));
  // Earlier revisions told limits in the name, and several figures in one.
  for (const [name, value, limit] of coreBench()) figure(name.replace(/ \(\d[^)]*\)$/, ''), Number(String(value).replaceAll(',', '').split(';')[0]), limit);
  figure('core as the sum Window imports it, kB gzip', await windowBundle(home), { most: 30 });
}

/** What the Bench's window sum pulls in of the core, minified and compressed. @returns kB */
async function windowBundle(home) {
  const { build } = await import('esbuild');
  const screen = readFileSync(join(home, 'app/bench/WindowScreen.tsx'), 'utf8');
  const imports = [...screen.matchAll(/import \{([^}]*)\} from '(@tufa\/core\/[^']*)';/g)].map(([, names, from]) => {
    const values = names.split(',').filter((name) => name.trim() && !name.trim().startsWith('type '));
    return `export { ${values.join(', ')} } from '${from}';`;
  });
  const { outputFiles } = await build({
    stdin: { contents: imports.join('\n'), resolveDir: join(home, 'app') },
    bundle: true,
    minify: true,
    format: 'esm',
    write: false,
    logLevel: 'error',
  });
  return gzipSync(outputFiles[0].contents, { level: 9 }).length / 1000;
}
