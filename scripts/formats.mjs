// npm run formats: JSON Schemas of the files that leave Tufa, made from the contract, into docs/formats/; the constants of the
// core as a page.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { main, root } from './lib/run.mjs';

main(async () => {
  const { bundle } = await import('./lib/build.mjs');
  const { constantsPage, schemas } = await import(await bundle('cli', 'src/formats.ts'));
  mkdirSync(join(root, 'docs/formats'), { recursive: true });
  for (const [name, schema] of Object.entries(schemas()))
    writeFileSync(join(root, 'docs/formats', `${name}.schema.json`), `${JSON.stringify(schema, null, 1)}\n`);
  const { format, resolveConfig } = await import('prettier');
  const page = join(root, 'docs/constants.md');
  writeFileSync(page, await format(constantsPage(), { ...(await resolveConfig(page)), parser: 'markdown' }));
});
