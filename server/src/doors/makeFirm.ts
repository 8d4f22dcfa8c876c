import { DEFAULT_FIRM, type FirmSettings } from '@tufa/core/plan';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { withFirm } from '../data/withFirm';
import { Firm, Person } from '../entities';
import { stockShelf } from '../services/stockShelf';
import { hashPassphrase } from './passphrase';
import { newRecoveryCodes } from './recovery';

export interface FirmAsked {
  readonly firm: string;
  readonly name: string;
  readonly signIn: string;
  readonly passphrase: string;
  readonly system: FirmSettings['system'];
  readonly currency: string;
}

/** A firm of its own with the shipped shelf and its owner, who has a passphrase and codes for the day it is lost. @returns the owner and the codes, which are shown once */
export async function makeFirm(
  source: DataSource,
  asked: FirmAsked,
  at: Date,
): Promise<{ readonly firmId: string; readonly owner: Person; readonly codes: string[] }> {
  const firmId = uuid();
  const hash = await hashPassphrase(asked.passphrase);
  return withFirm(source, firmId, async (tx) => {
    const row = { firmId, version: 1, changed: 1, removed: false, setters: {} };
    const { system, currency } = asked;
    await tx.getRepository(Firm).insert({ ...row, id: firmId, name: asked.firm, settings: { ...DEFAULT_FIRM, system, currency } });
    await tx.query('update firm set change_counter = 1');
    await tx.query('insert into firm_here values ($1, false)', [firmId]);
    const owner = tx.getRepository(Person).create({ ...row, id: uuid(), name: asked.name, role: 'owner', language: null });
    await tx.getRepository(Person).insert(owner);
    await stockShelf(tx, { firmId, changed: 1 });
    await tx.query('insert into passphrase (firm_id, person_id, sign_in, hash, set_at) values ($1, $2, $3, $4, $5)', [
      firmId,
      owner.id,
      asked.signIn,
      hash,
      at,
    ]);
    return { firmId, owner, codes: await newRecoveryCodes(tx, { firmId, personId: owner.id, at }) };
  });
}
