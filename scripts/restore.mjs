// npm run restore FILE: a backup into an empty place, compared row by row.
import { restore } from './lib/backup.mjs';
import { ensureCluster } from './lib/cluster.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { Advice, main, say } from './lib/run.mjs';

main(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Advice('Name the backup: npm run restore -- tufa-2026-05-12T02-30-00.zip');
  await ensurePackages();
  const cluster = process.env.BACKUP_DATABASE_URL ? null : await ensureCluster();
  try {
    const url = process.env.BACKUP_DATABASE_URL ?? cluster.databaseUrl;
    const { tables, rows, madeAt } = await restore({ url, file, passphrase: process.env.TUFA_BACKUP_PASSPHRASE });
    say(`Restored what stood on ${madeAt}: ${rows} rows in ${tables} tables, each compared with what was written. Everybody signs in again.`);
  } finally {
    cluster?.stop();
  }
});
