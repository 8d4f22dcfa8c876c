import { createHash } from 'node:crypto';
import { Readable, Transform } from 'node:stream';
import { ARCHIVE, ARCHIVED, type ArchiveManifest } from '@tufa/contract/archive';
import { archiveSchemas } from '@tufa/contract/archiveSchemas';
import type { EntityName } from '@tufa/contract/entities';
import { CORE_VERSION } from '@tufa/core/plan';
import Papa from 'papaparse';
import type { DataSource, EntityManager, QueryRunner } from 'typeorm';
import { ZipFile } from 'yazl';
import { rowPages } from './rowPages';

/** Bytes that lie beside the rows, by where they lie in an archive. */
const FILES = [
  { from: 'photograph_file', path: `'photographs/' || photograph_id || '.' || size || '.jpg'` },
  { from: 'letter_file', path: `'letters/' || letter_id` },
  { from: 'document', path: `'documents/' || id || '.pdf'`, where: 'bytes is not null' },
] as const;

async function* jsonLines(tx: EntityManager, name: EntityName, count: (rows: number) => void): AsyncGenerator<string> {
  for await (const page of rowPages(tx, name)) {
    count(page.length);
    yield page.map((row) => `${JSON.stringify(row)}\n`).join('');
  }
}

/** A table for whoever has no Tufa: what lies within a field as JSON. */
async function* csvLines(tx: EntityManager, name: EntityName): AsyncGenerator<string> {
  let header = true;
  for await (const page of rowPages(tx, name)) {
    const flat = page.map((row) =>
      Object.fromEntries(Object.entries(row).map(([field, value]) => [field, typeof value === 'object' && value !== null ? JSON.stringify(value) : value])),
    );
    // A cell that a spreadsheet would run as a formula is quoted as text.
    yield `${Papa.unparse(flat, { header, escapeFormulae: true, newline: '\n' })}\n`;
    header = false;
  }
}

/** Documents without their bytes: numbers, dates and what they were made from. */
async function* documentLines(tx: EntityManager): AsyncGenerator<string> {
  const rows = await tx.query<{ row: object }[]>(
    `select json_build_object('id', id, 'jobId', job_id, 'kind', kind, 'number', number, 'madeAt', made_at, 'person', person, 'state', state, 'done', done,
      'total', total, 'sha256', sha256, 'versions', versions) as row from document where bytes is not null order by number`,
  );
  for (const { row } of rows) yield `${JSON.stringify(row)}\n`;
}

/**
 * The whole firm as one archive, while it is read: rows as JSON a line, the same as tables, pictures, letters, documents,
 * the schema of the rows, and last what is in it with its hashes. All of one moment, and nothing that opens a door: no
 * session, no device, no key.
 */
export async function writeArchive({ source, firmId, at }: { source: DataSource; firmId: string; at: Date }): Promise<Readable> {
  const runner = source.createQueryRunner();
  await runner.connect();
  await runner.startTransaction('REPEATABLE READ');
  await runner.query(`select set_config('tufa.firm', $1, true)`, [firmId]);
  const zip = new ZipFile();
  const ended = once(() => endReading(runner));
  zip.outputStream.on('end', ended).on('close', ended).on('error', ended);
  // The library writes one file after the other and asks for each only then: the transaction has one reader at a time.
  const hashes: Record<string, string> = {};
  const rows: Record<string, number> = {};
  const addFile = (path: string, content: () => Iterable<string | Buffer> | AsyncIterable<string | Buffer>, compress = true): void =>
    zip.addReadStreamLazy(path, { compress, mtime: at }, (give) => {
      const hash = createHash('sha256');
      const read = Readable.from(content());
      const hashed = new Transform({
        transform: (chunk: Buffer, _encoding, done) => {
          hash.update(chunk);
          done(null, chunk);
        },
        flush: (done) => {
          hashes[path] = hash.digest('hex');
          done();
        },
      });
      read.on('error', (error) => zip.outputStream.emit('error', error));
      give(null, read.pipe(hashed));
    });
  try {
    const tx = runner.manager;
    addFile('schema.json', () => [JSON.stringify(archiveSchemas(), null, 1)]);
    for (const name of ARCHIVED) {
      rows[name] = 0;
      addFile(`rows/${name}.jsonl`, () => jsonLines(tx, name, (count) => (rows[name]! += count)));
      addFile(`tables/${name}.csv`, () => csvLines(tx, name));
    }
    addFile('rows/document.jsonl', () => documentLines(tx));
    for (const { from, path, ...more } of FILES) {
      const where = 'where' in more ? `where ${more.where}` : '';
      const found = await tx.query<{ path: string }[]>(`select ${path} as path from ${from} ${where} order by 1`);
      for (const { path: file } of found) addFile(file, () => bytesOf(tx, `select bytes from ${from} where ${path} = $1`, file), false);
    }
    addFile('manifest.json', () => [
      JSON.stringify({ ...ARCHIVE, madeAt: at.toISOString(), coreVersion: CORE_VERSION, files: hashes, rows } satisfies ArchiveManifest, null, 1),
    ]);
    zip.end();
  } catch (error) {
    await ended();
    throw error;
  }
  return zip.outputStream as Readable;
}

async function* bytesOf(tx: EntityManager, query: string, path: string): AsyncGenerator<Buffer> {
  const [file] = await tx.query<{ bytes: Buffer }[]>(query, [path]);
  yield file!.bytes;
}

const once = (work: () => Promise<void>): (() => Promise<void>) => {
  let done: Promise<void> | undefined;
  return () => (done ??= work());
};

const endReading = async (runner: QueryRunner): Promise<void> => {
  await runner.rollbackTransaction().catch(() => undefined);
  await runner.release();
};
