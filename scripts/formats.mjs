// npm run formats: JSON Schemas of the files that leave Tufa, made from the contract, into docs/formats/.
import { mkdirSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { main, root } from './lib/run.mjs';

main(async () => {
  const { bundle } = await import('./lib/build.mjs');
  const { schemas } = await import(await bundle('cli', 'src/formats.ts'));
  mkdirSync(join(root, 'docs/formats'), { recursive: true });
  for (const [name, schema] of Object.entries(schemas()))
    writeFileSync(join(root, 'docs/formats', `${name}.schema.json`), `${JSON.stringify(schema, null, 1)}\n`);
});
