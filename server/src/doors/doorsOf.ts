import type { Role } from '@tufa/contract/rights';
import type { EntityManager } from 'typeorm';
import type { FirmRow } from '../entities';
import { HttpProblem } from '../http/HttpProblem';

/** Ends a person's or a device's sessions with what they hear, at every server, as soon as the transaction stands. */
export async function endSessions(tx: EntityManager, door: { readonly person: string } | { readonly device: string }): Promise<void> {
  const [[name, id]] = Object.entries(door) as [[string, string]];
  await tx.query(`delete from session where sess->>'${name === 'person' ? 'personId' : 'deviceId'}' = $1`, [id]);
  await tx.query(`select pg_notify('tufa_doors', $1)`, [JSON.stringify(door)]);
}

/**
 * What a change of a person does to the doors: whoever leaves is out everywhere at once, and nothing of what opened
 * them is kept.
 *
 * @throws HttpProblem 409 `lastOwner` where a firm would be left with nobody who lets people in
 */
export async function doorsOf(
  tx: EntityManager,
  { id, role: before }: FirmRow & { readonly role: Role },
  { removed, role }: { removed: boolean; role: Role | undefined },
): Promise<void> {
  if (before === 'owner' && (removed || (role !== undefined && role !== 'owner'))) {
    const [other] = await tx.query<{ id: string }[]>(`select id from person where role = 'owner' and not removed and id <> $1 limit 1`, [id]);
    if (!other) throw new HttpProblem({ status: 409, code: 'lastOwner', field: 'target' });
  }
  if (!removed) return;
  for (const table of ['passphrase', 'passkey', 'recovery_code']) await tx.query(`delete from ${table} where person_id = $1`, [id]);
  await tx.query(`delete from door_key where kind = 'invitation' and target = $1`, [id]);
  await endSessions(tx, { person: id });
}
