// A database with its pictures as one file, and back again: of one moment, checked, compared row by row.
import { Buffer } from 'node:buffer';
import { createHash } from 'node:crypto';
import { createReadStream, createWriteStream, existsSync, mkdirSync, mkdtempSync, readdirSync, renameSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { basename, dirname, join, resolve } from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import { spawn } from 'node:child_process';
import { postgresPrograms } from './packages.mjs';
import { Advice } from './run.mjs';

/** How backups are written since; an older one is always read. */
const FORMAT = { format: 'tufa.backup', v: 1 };
/** Who is signed in, and who tried too often, is of the moment: a restored server asks everybody to sign in again. */
const OF_THE_MOMENT = ['session', 'door_try'];

/** Runs a program of PostgreSQL's to its end. @throws Advice with what it said */
const program = (name, args) =>
  new Promise((done, failed) => {
    const child = spawn(join(postgresPrograms(), name), args, { cwd: '/', stdio: ['ignore', 'ignore', 'pipe'] });
    let said = '';
    child.stderr.on('data', (data) => (said += data));
    child.once('error', failed);
    child.once('close', (code) => (code === 0 ? done() : failed(new Advice(`${name} failed: ${said.trim()}`))));
  });

async function connected(url, work) {
  const { default: pg } = await import('pg');
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  try {
    return await work(client);
  } finally {
    await client.end();
  }
}

/**
 * Every table with how many rows it has and a sum over all of them, whatever their order: two databases with the same
 * are equal row by row.
 *
 * @returns {Promise<Record<string, { rows: number, sum: string }>>}
 */
async function tablesOf(client) {
  await client.query(`set timezone to 'UTC'; set bytea_output to hex; set extra_float_digits to 1; set datestyle to iso; set intervalstyle to iso_8601`);
  const { rows } = await client.query(
    `select relname as name from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public' and relkind = 'r' order by relname`,
  );
  const tables = {};
  for (const { name } of rows.filter((row) => !OF_THE_MOMENT.includes(row.name))) {
    const { rows: found } = await client.query(
      `select count(*)::int as rows, coalesce(sum(('x' || substr(md5(t::text), 1, 16))::bit(64)::bigint::numeric), 0)::text as sum from ${JSON.stringify(name)} t`,
    );
    tables[name] = found[0];
  }
  return tables;
}

const hashOf = async (path) => {
  const hash = createHash('sha256');
  await pipeline(createReadStream(path), hash);
  return hash.digest('hex');
};

/** Row security binds the serving role and the owner: rows of all firms are seen by one it does not bind. */
async function refuseBound(client) {
  const { rows } = await client.query('select rolsuper or rolbypassrls as sees, rolname from pg_roles where rolname = current_user');
  if (!rows[0].sees)
    throw new Advice(
      `The role ${rows[0].rolname} sees one firm at a time. Give BACKUP_DATABASE_URL a role that bypasses row security (alter role ... bypassrls).`,
    );
}

/** What is read into a file under a name, encrypted where there is a passphrase. */
async function sealed(from, to, passphrase, workFactor) {
  if (!passphrase) return renameOrCopy(from, to);
  const { Encrypter } = await import('age-encryption');
  const encrypter = new Encrypter();
  encrypter.setPassphrase(passphrase);
  if (workFactor) encrypter.setScryptWorkFactor(workFactor);
  const stream = await encrypter.encrypt(Readable.toWeb(createReadStream(from)));
  await pipeline(Readable.fromWeb(stream), createWriteStream(to, { mode: 0o600 }));
}

async function renameOrCopy(from, to) {
  await pipeline(createReadStream(from), createWriteStream(to, { mode: 0o600 }));
  rmSync(from);
}

/** @returns {Promise<string>} the file that an archive lies in, decrypted where it must be, in a folder of the caller's */
async function opened(file, folder, passphrase) {
  if (!file.endsWith('.age')) return file;
  if (!passphrase) throw new Advice(`${file} is encrypted. Set TUFA_BACKUP_PASSPHRASE to its passphrase.`);
  const { Decrypter } = await import('age-encryption');
  const decrypter = new Decrypter();
  decrypter.addPassphrase(passphrase);
  const plain = join(folder, 'plain.zip');
  try {
    const stream = await decrypter.decrypt(Readable.toWeb(createReadStream(file)));
    await pipeline(Readable.fromWeb(stream), createWriteStream(plain, { mode: 0o600 }));
  } catch (error) {
    throw new Advice(`${file} does not open with this passphrase, or is not whole (${error.message}).`);
  }
  return plain;
}

/** The parts of a backup, taken out into a folder. @throws Advice where it is none, newer or not whole */
async function taken(file, folder) {
  const { open } = (await import('yauzl')).default;
  const notWhole = () => new Advice(`${file} is no whole backup. Fetch it again where it came from.`);
  const zip = await new Promise((done, failed) =>
    open(file, { lazyEntries: true, autoClose: true }, (error, found) => (error ? failed(notWhole()) : done(found))),
  );
  await new Promise((done, failed) => {
    zip.on('entry', (entry) =>
      zip.openReadStream(entry, (error, stream) => {
        if (error) return failed(notWhole());
        pipeline(stream, createWriteStream(join(folder, basename(entry.fileName)), { mode: 0o600 })).then(
          () => zip.readEntry(),
          () => failed(notWhole()),
        );
      }),
    );
    zip.on('end', done).on('error', () => failed(notWhole()));
    zip.readEntry();
  });
  const [manifestFile, dump] = [join(folder, 'manifest.json'), join(folder, 'database.dump')];
  if (!existsSync(manifestFile) || !existsSync(dump)) throw notWhole();
  const { readFileSync } = await import('node:fs');
  const manifest = JSON.parse(readFileSync(manifestFile, 'utf8'));
  if (manifest.format !== FORMAT.format) throw notWhole();
  if (manifest.v > FORMAT.v) throw new Advice(`${file} was made by a newer Tufa. Bring this one up to date first.`);
  if ((await hashOf(dump)) !== manifest.sha256) throw notWhole();
  return { manifest, dump };
}

/**
 * Writes a database to one file while it serves: of one moment, readable by its owner alone, read once more before it
 * counts.
 *
 * @param {number} [workFactor] what guessing the passphrase costs, as a power of two; the library's own where nothing is said
 * @returns {Promise<{ file: string, bytes: number, rows: number }>}
 */
export async function backup({ url, to, passphrase, workFactor, at = new Date() }) {
  const folder = mkdtempSync(join(tmpdir(), 'tufa-backup-'));
  try {
    const dump = join(folder, 'database.dump');
    const tables = await connected(url, async (client) => {
      await refuseBound(client);
      await client.query('begin isolation level repeatable read read only');
      const { rows } = await client.query('select pg_export_snapshot() as snapshot');
      // Counted and written of the same moment: what is being written meanwhile is in neither.
      const [found] = await Promise.all([
        tablesOf(client),
        program('pg_dump', ['-Fc', '--snapshot', rows[0].snapshot, ...OF_THE_MOMENT.map((name) => `--exclude-table-data=${name}`), '-f', dump, '-d', url]),
      ]);
      return found;
    });
    const { ZipFile } = (await import('yazl')).default;
    const zip = new ZipFile();
    const manifest = { ...FORMAT, madeAt: at.toISOString(), sha256: await hashOf(dump), tables };
    zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 1)), 'manifest.json');
    // It is compressed already.
    zip.addFile(dump, 'database.dump', { compress: false });
    zip.end();
    const plain = join(folder, 'backup.zip');
    await pipeline(zip.outputStream, createWriteStream(plain, { mode: 0o600 }));
    const file = resolve(passphrase && !to.endsWith('.age') ? `${to}.age` : to);
    mkdirSync(dirname(file), { recursive: true });
    // A file that is cut short never stands under a backup's name.
    const half = `${file}.half`;
    await sealed(plain, half, passphrase, workFactor);
    const check = mkdtempSync(join(folder, 'check-'));
    const halfAs = passphrase ? `${half}.age` : half;
    if (halfAs !== half) renameSync(half, halfAs);
    const { dump: again } = await taken(await opened(halfAs, check, passphrase), check);
    await program('pg_restore', ['--list', again]);
    renameSync(halfAs, file);
    return { file, bytes: statSync(file).size, rows: Object.values(tables).reduce((sum, { rows }) => sum + rows, 0) };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

/**
 * Brings a backup into a place that holds nothing, and compares it row by row.
 *
 * @returns {Promise<{ tables: number, rows: number, madeAt: string }>}
 * @throws Advice where something is there already, or what came is not what was written
 */
export async function restore({ url, file, passphrase }) {
  if (!existsSync(file)) throw new Advice(`There is no file ${file}.`);
  const folder = mkdtempSync(join(tmpdir(), 'tufa-restore-'));
  try {
    const { manifest, dump } = await taken(await opened(file, folder, passphrase), folder);
    await connected(url, async (client) => {
      await refuseBound(client);
      const { rows } = await client.query(
        `select count(*)::int as n from pg_class c join pg_namespace n on n.oid = c.relnamespace where n.nspname = 'public' and relkind = 'r'`,
      );
      if (rows[0].n > 0) throw new Advice('There is a Tufa here already. Restore into an empty place: a fresh clone, or a database of its own.');
    });
    await program('pg_restore', ['--exit-on-error', '--single-transaction', '-d', url, dump]);
    const found = await connected(url, tablesOf);
    const differ = Object.keys({ ...manifest.tables, ...found }).filter(
      (name) => found[name]?.rows !== manifest.tables[name]?.rows || found[name]?.sum !== manifest.tables[name]?.sum,
    );
    if (differ.length > 0) throw new Advice(`What came back differs from what was written, in: ${differ.join(', ')}. Do not use it.`);
    return { tables: Object.keys(found).length, rows: Object.values(found).reduce((sum, { rows }) => sum + rows, 0), madeAt: manifest.madeAt };
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

const NAMED = /^tufa-\d{4}-\d\d-\d\dT[\d-]+\.zip(\.age)?$/;

/** What a backup of a moment is called; names sort as the moments do. */
export const nameAt = (at) => `tufa-${at.toISOString().slice(0, 19).replaceAll(':', '-')}.zip`;

/** Lets the oldest backups of a folder go, so that so many stay: nothing else in it is touched. @returns those that went */
export function keepNewest(folder, most) {
  const old = readdirSync(folder)
    .filter((name) => NAMED.test(name))
    .sort()
    .slice(0, -most);
  for (const name of old) rmSync(join(folder, name));
  return old;
}

/** Whether two places lie on one disk: what dies with the database is no backup of it. */
export const onOneDisk = (one, other) => statSync(one).dev === statSync(other).dev;
