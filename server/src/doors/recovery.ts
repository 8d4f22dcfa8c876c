import type { EntityManager } from 'typeorm';
import { hashOfCode, newCode } from './secret';

const COUNT = 8;

/** Codes that each open the door once where a passphrase is lost; the ones before open nothing any more. */
export async function newRecoveryCodes(tx: EntityManager, { firmId, personId, at }: { firmId: string; personId: string; at: Date }): Promise<string[]> {
  const codes = Array.from({ length: COUNT }, newCode);
  await tx.query('delete from recovery_code where person_id = $1', [personId]);
  await tx.query('insert into recovery_code (hash, firm_id, person_id, made_at) select unnest($1::text[]), $2, $3, $4', [
    codes.map(hashOfCode),
    firmId,
    personId,
    at,
  ]);
  return codes;
}
