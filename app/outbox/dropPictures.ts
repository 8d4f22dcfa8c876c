import { withOutbox } from './database';

/** Pictures that the firm has taken away leave the phone too; one that it never had waits to be sent, and can be brought back. */
export async function dropPictures(ids: readonly string[]): Promise<void> {
  for (const id of ids)
    await withOutbox(async (db) => {
      if ((await db.get('photo', id))?.sent) await db.delete('photo', id);
    }).catch(() => undefined);
}
