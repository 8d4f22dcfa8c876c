import type { DataSource } from 'typeorm';
import { withFirm } from '../data/withFirm';
import { Person } from '../entities';
import { HttpProblem } from '../http/HttpProblem';
import { compareWithNobody, hashPassphrase, matches, refuseWeak } from './passphrase';
import { hashOfCode } from './secret';
import type { Tries } from './tries';

interface Candidate {
  readonly firm_id: string;
  readonly person_id: string;
  readonly hash: string;
}

/** Whoever it was, they are told the same: not whether anybody is called so. */
const notKnown = (): HttpProblem => new HttpProblem({ status: 401, code: 'notKnown' });

const candidates = (source: DataSource, signIn: string): Promise<Candidate[]> => source.query('select * from passphrases_of($1)', [signIn]);

/** The person of a firm, if they are still of it. @throws HttpProblem 401 `notKnown` */
export const personOf = (source: DataSource, firmId: string, personId: string): Promise<{ firmId: string; person: Person }> =>
  withFirm(source, firmId, async (tx) => {
    const person = await tx.getRepository(Person).findOneBy({ id: personId, removed: false });
    if (!person) throw notKnown();
    return { firmId, person };
  });

/** Who has this name and this passphrase, in whichever firm. @throws HttpProblem 401 `notKnown`, 429 `lockedOut` */
export async function signInByPassphrase(
  { source, tries }: { source: DataSource; tries: Tries },
  { signIn, passphrase, address }: { signIn: string; passphrase: string; address: string },
): Promise<{ firmId: string; person: Person }> {
  await tries.count(signIn, address);
  const found = await candidates(source, signIn);
  if (found.length === 0) await compareWithNobody(passphrase);
  for (const { firm_id, person_id, hash } of found)
    if (await matches(hash, passphrase)) {
      await tries.forget(signIn);
      return personOf(source, firm_id, person_id);
    }
  throw notKnown();
}

/** A code instead of a passphrase that was lost: it opens once, and sets another. @throws HttpProblem 401 `notKnown`, 429 `lockedOut`, 422 `weakPassphrase` */
export async function signInByRecovery(
  { source, tries }: { source: DataSource; tries: Tries },
  { signIn, code, passphrase, address, at }: { signIn: string; code: string; passphrase: string; address: string; at: Date },
): Promise<{ firmId: string; person: Person }> {
  await tries.count(signIn, address);
  await refuseWeak(passphrase, [signIn]);
  const hash = await hashPassphrase(passphrase);
  for (const { firm_id, person_id } of await candidates(source, signIn)) {
    const used = await withFirm(source, firm_id, async (tx) => {
      const [, count] = (await tx.query('update recovery_code set used_at = $3 where hash = $1 and person_id = $2 and used_at is null', [
        hashOfCode(code),
        person_id,
        at,
      ])) as [unknown, number];
      if (count === 1) await tx.query('update passphrase set hash = $2, set_at = $3 where person_id = $1', [person_id, hash, at]);
      return count === 1;
    });
    if (!used) continue;
    await tries.forget(signIn);
    return personOf(source, firm_id, person_id);
  }
  throw notKnown();
}
