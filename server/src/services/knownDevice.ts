import type { EntityManager } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { hashOf, newSecret } from '../doors/secret';
import { Device } from '../entities';

/**
 * The device that signs in: known again by the secret its cookie holds, never by what it says of itself. Whoever shows
 * none, or one that nobody gave, is a new device, under the id it asks for where that is nobody's yet.
 *
 * @returns its id, the secret that its cookie is to hold, and whether the firm has shut it out: it is then left as it was
 */
export async function knownDevice(
  tx: EntityManager,
  firmId: string,
  asked: { readonly id: string; readonly label: string; readonly secret: string | undefined; readonly personId: string; readonly at: Date },
): Promise<{ id: string; secret: string; shut: boolean }> {
  const devices = tx.getRepository(Device);
  const { id: wanted, label, personId, at } = asked;
  const known = asked.secret ? await devices.findOneBy({ secret: hashOf(asked.secret) }) : null;
  if (known?.shut && asked.secret) return { id: known.id, secret: asked.secret, shut: true };
  if (known && asked.secret) {
    const persons = known.persons.includes(personId) ? known.persons : [...known.persons, personId];
    await devices.update({ id: known.id }, { label, persons, seenAt: at });
    return { id: known.id, secret: asked.secret, shut: false };
  }
  const secret = newSecret();
  const row = { firmId, version: 1, changed: 0, removed: false, setters: {}, label, seenAt: at, secret: hashOf(secret), persons: [personId] };
  await tx.query('insert into device_door (secret, firm_id) values ($1, $2)', [hashOf(secret), firmId]);
  const { raw } = await devices
    .createQueryBuilder()
    .insert()
    .values({ id: wanted, ...row })
    .orIgnore()
    .returning('id')
    .execute();
  if ((raw as unknown[]).length > 0) return { id: wanted, secret, shut: false };
  // A device of a release without secrets is whoever comes first under its id; row security shows only this firm's.
  const { affected } = await devices.createQueryBuilder().update(row).where('id = :wanted and secret is null', { wanted }).execute();
  if (affected) return { id: wanted, secret, shut: false };
  const id = uuid();
  await devices.insert({ id, ...row });
  return { id, secret, shut: false };
}
