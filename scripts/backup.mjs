// npm run backup [FILE]: database and pictures as one file, while it serves. Encrypted where TUFA_BACKUP_PASSPHRASE is set.
import { mkdirSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { backup, keepNewest, nameAt, onOneDisk } from './lib/backup.mjs';
import { ensureCluster } from './lib/cluster.mjs';
import { ensurePackages } from './lib/packages.mjs';
import { Advice, main, root, say } from './lib/run.mjs';

main(async () => {
  await ensurePackages();
  if (process.env.DATABASE_URL && !process.env.BACKUP_DATABASE_URL)
    throw new Advice('DATABASE_URL is set without BACKUP_DATABASE_URL. Give it an address whose role sees all rows (bypassrls), and run it where pg_dump is.');
  const cluster = process.env.BACKUP_DATABASE_URL ? null : await ensureCluster();
  const url = process.env.BACKUP_DATABASE_URL ?? cluster.databaseUrl;
  try {
    const folder = process.env.TUFA_BACKUP;
    const to = resolve(process.argv[2] ?? join(folder ?? join(root, '.tufa', 'backups'), nameAt(new Date())));
    mkdirSync(dirname(to), { recursive: true, mode: 0o700 });
    if (cluster && onOneDisk(dirname(to), cluster.home))
      say(`This backup lies on the same disk as the database: a disk that dies takes both. Copy it elsewhere, or set TUFA_BACKUP to a folder on another disk.`);
    const { file, bytes, rows } = await backup({ url, to, passphrase: process.env.TUFA_BACKUP_PASSPHRASE });
    say(`${file}: ${rows} rows, ${(bytes / 1e6).toFixed(1)} MB, read once more and whole.`);
    const most = Number(process.env.TUFA_BACKUP_KEEP ?? 14);
    if (folder && !process.argv[2]) for (const name of keepNewest(folder, Math.max(1, most))) say(`${name} has aged out (TUFA_BACKUP_KEEP is ${most}).`);
  } finally {
    cluster?.stop();
  }
});
