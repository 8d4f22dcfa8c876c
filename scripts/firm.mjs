// npm run firm: a code by which another firm is made on this server, for whoever it is given to.
import { ensureCluster } from './lib/cluster.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { main, say } from './lib/run.mjs';

main(async () => {
  await ensurePackages();
  const { bundle } = await import('./lib/build.mjs');
  const { newFirm } = await import(await bundle('server', 'src/newFirm.ts'));
  const cluster = process.env.MIGRATION_DATABASE_URL ? null : await ensureCluster();
  try {
    say(`One firm is made with this code, at /start of this server, within a day: ${await newFirm(process.env.MIGRATION_DATABASE_URL ?? cluster.ownerUrl)}`);
  } finally {
    cluster?.stop();
  }
});
