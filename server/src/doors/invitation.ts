import type { Invited } from '@tufa/contract/doors';
import type { Role } from '@tufa/contract/rights';
import { QueryFailedError, type DataSource, type EntityManager } from 'typeorm';
import { withFirm } from '../data/withFirm';
import { Person } from '../entities';
import { HttpProblem } from '../http/HttpProblem';
import { hashPassphrase, refuseWeak } from './passphrase';
import { hashOf, newSecret } from './secret';

/** An invitation ends after three days. */
const LASTS_MS = 3 * 86400_000;

/** Invites somebody of the firm to choose what they sign in with; one before that opens nothing any more. @returns the secret, which is shown once */
export async function invite(
  tx: EntityManager,
  { firmId, personId, by, at }: { firmId: string; personId: string; by: string; at: Date },
): Promise<{ token: string; endsAt: string }> {
  const [person] = await tx.query<{ id: string }[]>('select id from person where id = $1 and not removed', [personId]);
  if (!person) throw new HttpProblem({ status: 404, code: 'notFound', field: 'person' });
  const [token, endsAt] = [newSecret(), new Date(at.getTime() + LASTS_MS)];
  await tx.query(`delete from door_key where kind = 'invitation' and target = $1`, [personId]);
  await tx.query(`insert into door_key (hash, firm_id, kind, target, made_by, made_at, ends_at) values ($1, $2, 'invitation', $3, $4, $5, $6)`, [
    hashOf(token),
    firmId,
    personId,
    by,
    at,
    endsAt,
  ]);
  return { token, endsAt: endsAt.toISOString() };
}

/** Which firm a key's secret opens; nothing where it opens none. */
export async function firmOfKey(source: DataSource, token: string): Promise<string | null> {
  const [{ firm }] = (await source.query('select firm_of_key($1) as firm', [hashOf(token)])) as [{ firm: string | null }];
  return firm;
}

const ended = (): HttpProblem => new HttpProblem({ status: 404, code: 'invitationEnded' });

interface Standing {
  readonly firm: string;
  readonly id: string;
  readonly name: string;
  readonly role: Role;
  readonly ends_at: Date;
}

async function standing(tx: EntityManager, token: string, at: Date): Promise<Standing> {
  const [found] = await tx.query<Standing[]>(
    `select f.name as firm, p.id, p.name, p.role, k.ends_at from door_key k join person p on p.id = k.target and not p.removed join firm f on true
     where k.hash = $1 and k.kind = 'invitation' and k.used_at is null and k.ends_at > $2 for update of k`,
    [hashOf(token), at],
  );
  if (!found) throw ended();
  return found;
}

/** What an invitation says. @throws HttpProblem 404 `invitationEnded` */
export async function invited(source: DataSource, token: string, at: Date): Promise<Invited> {
  const firmId = await firmOfKey(source, token);
  if (!firmId) throw ended();
  const { firm, name, role, ends_at } = await withFirm(source, firmId, (tx) => standing(tx, token, at));
  return { firm, name, role, endsAt: ends_at.toISOString() };
}

/** Somebody takes their invitation: it opens once, and what they sign in with is kept. @throws HttpProblem `invitationEnded`, `weakPassphrase`, 409 `nameTaken` */
export async function takeInvitation(
  source: DataSource,
  { token, signIn, passphrase, at }: { token: string; signIn: string; passphrase: string; at: Date },
): Promise<{ firmId: string; person: Person }> {
  const firmId = await firmOfKey(source, token);
  if (!firmId) throw ended();
  const before = await withFirm(source, firmId, (tx) => standing(tx, token, at));
  await refuseWeak(passphrase, [signIn, before.name, before.firm]);
  const hash = await hashPassphrase(passphrase);
  try {
    return await withFirm(source, firmId, async (tx) => {
      const { id } = await standing(tx, token, at);
      await tx.query('update door_key set used_at = $2 where hash = $1', [hashOf(token), at]);
      await tx.query(
        `insert into passphrase (firm_id, person_id, sign_in, hash, set_at) values ($1, $2, $3, $4, $5)
         on conflict (firm_id, person_id) do update set sign_in = excluded.sign_in, hash = excluded.hash, set_at = excluded.set_at`,
        [firmId, id, signIn, hash, at],
      );
      return { firmId, person: await tx.getRepository(Person).findOneByOrFail({ id }) };
    });
  } catch (error) {
    if (error instanceof QueryFailedError && (error.driverError as { code?: string }).code === '23505')
      throw new HttpProblem({ status: 409, code: 'nameTaken', field: 'signIn' });
    throw error;
  }
}
