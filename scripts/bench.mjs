// npm run bench [-- parts]: figures that a change may make worse, a part each (scripts/bench/parts).
// npm run bench -- --against REV [parts]: the same of another revision beside these, by turns.
// npm run bench -- --keep [parts]: writes what was measured into docs/speed.md.
import { main } from './lib/run.mjs';
import { ensureChromium, ensurePackages, ensurePostgres } from './lib/packages.mjs';

main(async () => {
  await ensurePackages();
  ensureChromium();
  ensurePostgres();
  const { bench } = await import('./bench/bench.mjs');
  await bench(process.argv.slice(2));
});
