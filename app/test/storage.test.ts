import './browser';
import type { DBSchema } from 'idb';
import { forceCloseDatabase } from 'fake-indexeddb';
import { keptDatabase, storage } from '../parts/phone/storage';

interface Notes extends DBSchema {
  note: { key: string; value: string };
}

let count = 0;
const nextName = (): string => `notes ${(count += 1)}`;
const make = (db: { createObjectStore: (name: 'note') => unknown; objectStoreNames: { contains: (name: 'note') => boolean } }): void => {
  if (!db.objectStoreNames.contains('note')) db.createObjectStore('note');
};
const notes = (name: string, version = 1) => keptDatabase<Notes>(name, version, make);
/** A page of an earlier release: it has the database open and hears nobody. */
const oldPage = (name: string, version: number): Promise<IDBDatabase> =>
  new Promise((done, fail) => {
    const opening = indexedDB.open(name, version);
    opening.onupgradeneeded = () => opening.result.createObjectStore('note');
    opening.onsuccess = () => done(opening.result);
    opening.onerror = () => fail(opening.error as Error);
  });

beforeEach(() => storage.note(null));

test('a connection that the browser has closed is opened again, and what was kept is there', async () => {
  const kept = notes(nextName());
  let connection: IDBDatabase | undefined;
  await kept.use(async (db) => {
    await db.put('note', 'first', 'a');
    connection = (db as unknown as { transaction: (name: string) => { db: IDBDatabase } }).transaction('note').db;
  });
  forceCloseDatabase(connection as never);
  await kept.use((db) => db.put('note', 'second', 'b'));
  expect(await kept.use((db) => db.getAll('note'))).toEqual(['first', 'second']);
  expect(storage.problem()).toBeNull();
});

test('an old page in the way is said, and once it is closed this one goes on by itself', async () => {
  const name = nextName();
  const old = await oldPage(name, 1);
  const kept = notes(name, 2);
  const writing = kept.use((db) => db.put('note', 'mine', 'a'));
  await new Promise<void>((said) => {
    const stop = storage.subscribe(() => {
      stop();
      said();
    });
  });
  expect(storage.problem()).toBe('blocked');
  old.close();
  await writing;
  expect(storage.problem()).toBeNull();
});

test('a page of ours makes way for a newer one, and says that it is the older', async () => {
  const name = nextName();
  const mine = notes(name, 1);
  await mine.use((db) => db.put('note', 'mine', 'a'));
  const newer = notes(name, 2);
  expect(await newer.use((db) => db.get('note', 'a'))).toBe('mine');
  expect(storage.problem()).toBe('older');
  await expect(mine.use((db) => db.get('note', 'a'))).rejects.toThrow();
  expect(storage.problem()).toBe('older');
});

test('a browser that keeps nothing is told as such', async () => {
  const { open } = indexedDB;
  indexedDB.open = () => {
    throw new DOMException('no', 'SecurityError');
  };
  await expect(notes(nextName()).use((db) => db.get('note', 'a'))).rejects.toThrow();
  indexedDB.open = open;
  expect(storage.problem()).toBe('refused');
});

test('work that fails by itself is not tried a second time', async () => {
  let tries = 0;
  const work = (): Promise<never> => {
    tries += 1;
    return Promise.reject(new Error('full'));
  };
  await expect(notes(nextName()).use(work)).rejects.toThrow('full');
  expect(tries).toBe(1);
});
