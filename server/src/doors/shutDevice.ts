import type { DataSource, EntityManager } from 'typeorm';
import { withFirm } from '../data/withFirm';
import { Device } from '../entities';
import { HttpProblem } from '../http/HttpProblem';
import { endSessions } from './doorsOf';
import { hashOf } from './secret';

/** Shuts a device out from its next request on; what it has not sent is taken once, by an owner's word, or not at all. @throws HttpProblem 404 */
export async function shutDevice(tx: EntityManager, { deviceId, unsent }: { deviceId: string; unsent: 'take' | 'leave' }): Promise<void> {
  const { affected } = await tx.getRepository(Device).update({ id: deviceId }, { shut: unsent === 'take' ? 'taking' : 'ended', wipedAt: null });
  if (!affected) throw new HttpProblem({ status: 404, code: 'notFound', field: 'device' });
  await endSessions(tx, { device: deviceId });
}

/** A device that was found again: whoever signs in there is let in as before. */
export async function openDevice(tx: EntityManager, deviceId: string): Promise<void> {
  const { affected } = await tx.getRepository(Device).update({ id: deviceId }, { shut: null, wipedAt: null });
  if (!affected) throw new HttpProblem({ status: 404, code: 'notFound', field: 'device' });
}

/** The device that shows a secret, with its firm; nothing where nobody gave it. */
export async function deviceOf(source: DataSource, secret: string | undefined): Promise<Device | null> {
  if (!secret) return null;
  const [{ firm }] = (await source.query('select firm_of_device($1) as firm', [hashOf(secret)])) as [{ firm: string | null }];
  return firm ? withFirm(source, firm, (tx) => tx.getRepository(Device).findOneBy({ secret: hashOf(secret) })) : null;
}

/** Takes the one chance that a shut device has to send what it had not sent; its second is none. @returns whether it was the first */
export const takeLast = (source: DataSource, { id, firmId }: Device): Promise<boolean> =>
  withFirm(source, firmId, async (tx) => (await tx.getRepository(Device).update({ id, shut: 'taking' }, { shut: 'last' })).affected === 1);
