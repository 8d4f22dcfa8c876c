import { withOutbox } from './database';

/** How much on this phone the firm does not have yet: what was written, pictures, letters and voices. */
export const unsentOf = (): Promise<number> =>
  withOutbox(async (db) => {
    const [records, photos, letters] = await Promise.all([db.getAll('outbox'), db.getAll('photo'), db.getAll('letter')]);
    return records.filter(({ state }) => state !== 'sent').length + photos.filter(({ sent }) => !sent).length + letters.length;
  }).catch(() => 0);
