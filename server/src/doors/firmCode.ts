import type { DataSource } from 'typeorm';
import { hashOfCode, newCode } from './secret';

/** A code that makes a firm ends after a day. */
const LASTS_MS = 86400_000;

/** A code by which one firm is made on this server, by whoever has it first; only who runs the server can have one. */
export async function newFirmCode(owner: DataSource, at: Date): Promise<string> {
  const code = newCode();
  await owner.query('delete from firm_code where ends_at <= $1', [at]);
  await owner.query('insert into firm_code (hash, ends_at) values ($1, $2)', [hashOfCode(code), new Date(at.getTime() + LASTS_MS)]);
  return code;
}

/** The code for the first firm, where there is none but the demonstration; those of earlier starts open nothing any more. */
export async function firstFirmCode(owner: DataSource, at: Date): Promise<string | null> {
  const [there] = (await owner.query('select 1 from firm_here where not demonstration limit 1')) as unknown[];
  if (there) return null;
  await owner.query('delete from firm_code');
  return newFirmCode(owner, at);
}
