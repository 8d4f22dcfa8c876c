// npm run -s tufa -- ...: the headless command, bundled in a few milliseconds and run.
import { ensurePackages } from './lib/packages.mjs';
import { main } from './lib/run.mjs';

main(async () => {
  await ensurePackages();
  const { bundle } = await import('./lib/build.mjs');
  const file = await bundle('cli');
  process.argv.splice(1, 1, file);
  await import(file);
});
