import { dropDatabase, makeDatabase } from './database';
import { fillDatabase } from './serve';

/** Migrates and seeds one database, once for all tests: each of them gets a copy of it. @returns what takes it away at the end */
export default async function template(): Promise<() => Promise<void>> {
  const name = await makeDatabase();
  await fillDatabase(name);
  process.env['E2E_TEMPLATE'] = name;
  return () => dropDatabase(name);
}
