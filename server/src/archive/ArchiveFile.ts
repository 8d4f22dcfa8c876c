import { createHash } from 'node:crypto';
import { createInterface } from 'node:readline';
import { Transform, type Readable } from 'node:stream';
import { ARCHIVE, manifestSchema, type ArchiveManifest } from '@tufa/contract/archive';
import { check } from '@tufa/contract/validate';
import { open, type Entry, type ZipFile } from 'yauzl';
import { HttpProblem } from '../http/HttpProblem';

/** One file of an archive is not larger than this where it is read whole, bytes. */
const WHOLE_MOST = 64 * 1024 * 1024;

const half = (file?: string): HttpProblem => new HttpProblem({ status: 422, code: 'archiveHalf', ...(file ? { figures: { file } } : {}) });

/** An archive that lies on the disk: looked through once, then read a file at a time, each against its hash. */
export class ArchiveFile {
  private constructor(
    private readonly zip: ZipFile,
    private readonly entries: ReadonlyMap<string, Entry>,
    readonly manifest: ArchiveManifest,
  ) {}

  /** @throws HttpProblem `archiveHalf` for what is no whole archive, `archiveNewer` for a newer release's, `archiveForeign` for another file */
  static async open(path: string): Promise<ArchiveFile> {
    const zip = await new Promise<ZipFile>((done, fail) =>
      open(path, { lazyEntries: true, autoClose: false, validateEntrySizes: true }, (error, opened) => (error ? fail(half()) : done(opened))),
    );
    try {
      const entries = new Map<string, Entry>();
      await new Promise<void>((done, fail) => {
        zip.on('entry', (entry: Entry) => {
          entries.set(entry.fileName, entry);
          zip.readEntry();
        });
        zip.on('end', done).on('error', () => fail(half()));
        zip.readEntry();
      });
      const bytes = entries.has('manifest.json') ? await wholeOf(await streamOf(zip, entries.get('manifest.json')!)) : null;
      const told: unknown = bytes ? parsed(bytes.toString('utf8')) : null;
      if ((told as { format?: unknown } | null)?.format !== ARCHIVE.format)
        throw new HttpProblem({ status: 422, code: bytes ? 'archiveForeign' : 'archiveHalf' });
      if (Number((told as { v?: unknown }).v) > ARCHIVE.v)
        throw new HttpProblem({ status: 422, code: 'archiveNewer', figures: { v: Number((told as { v: number }).v) } });
      const { value, fault } = check<ArchiveManifest>(manifestSchema, told);
      if (fault) throw half('manifest.json');
      for (const file of Object.keys(value.files)) if (!entries.has(file)) throw half(file);
      return new ArchiveFile(zip, entries, value);
    } catch (error) {
      zip.close();
      throw error;
    }
  }

  close(): void {
    this.zip.close();
  }

  /** files under a folder, by name */
  under(folder: string): string[] {
    return Object.keys(this.manifest.files)
      .filter((file) => file.startsWith(folder))
      .sort();
  }

  /** @throws HttpProblem `archiveBroken` where it is not what the manifest says */
  async bytes(file: string): Promise<Buffer> {
    const entry = this.entries.get(file);
    if (!entry || entry.uncompressedSize > WHOLE_MOST) throw half(file);
    const bytes = await wholeOf(await streamOf(this.zip, entry)).catch(() => Promise.reject(broken(file)));
    if (createHash('sha256').update(bytes).digest('hex') !== this.manifest.files[file]) throw broken(file);
    return bytes;
  }

  /** Lines as JSON, a few at a time. @throws HttpProblem `archiveBroken` at its end, where it is not what the manifest says */
  async *lines(file: string, most: number): AsyncGenerator<unknown[]> {
    const entry = this.entries.get(file);
    if (!entry) return;
    const hash = createHash('sha256');
    const hashed = new Transform({
      transform: (chunk: Buffer, _encoding, done) => {
        hash.update(chunk);
        done(null, chunk);
      },
    });
    const read = await streamOf(this.zip, entry);
    read.on('error', (error) => hashed.destroy(error));
    let some: unknown[] = [];
    try {
      for await (const line of createInterface({ input: read.pipe(hashed), crlfDelay: Infinity })) {
        if (line === '') continue;
        some.push(parsed(line));
        if (some.length < most) continue;
        yield some;
        some = [];
      }
    } catch (error) {
      throw error instanceof HttpProblem ? error : broken(file);
    }
    if (some.length > 0) yield some;
    if (hash.digest('hex') !== this.manifest.files[file]) throw broken(file);
  }
}

const broken = (file: string): HttpProblem => new HttpProblem({ status: 422, code: 'archiveBroken', figures: { file } });

const parsed = (text: string): unknown => {
  try {
    return JSON.parse(text);
  } catch {
    throw half();
  }
};

const streamOf = (zip: ZipFile, entry: Entry): Promise<Readable> =>
  new Promise((done, fail) => zip.openReadStream(entry, (error, stream) => (error ? fail(broken(entry.fileName)) : done(stream))));

async function wholeOf(stream: Readable): Promise<Buffer> {
  const chunks: Buffer[] = [];
  for await (const chunk of stream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}
