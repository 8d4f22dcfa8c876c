import { browserRows, type RowStore } from './RowStore';
import type { Page, Place, Touched } from './shape';

/** One page of what changed, as the firm sends it. */
interface ChangesPage {
  readonly cursor: number;
  readonly after?: string;
  readonly more: boolean;
  readonly rows: Page;
  readonly serverTime: string;
}

/** What was kept of a page: the place after it and what it touched; null where it was no page of the firm's. */
export type KeptPage = {
  readonly place: Place;
  readonly touched: Touched;
  readonly more: boolean;
  /** pictures that the firm has no more */
  readonly gone: readonly string[];
} | null;

/** What was kept under an older release, whole and as one text. */
interface OldCache {
  readonly clientState?: { readonly queries?: readonly { readonly queryKey: readonly unknown[]; readonly state: { readonly data?: OldPulled } }[] };
}
interface OldPulled {
  readonly cursor?: number;
  readonly clockOffset?: number;
  readonly data?: Readonly<Record<string, Readonly<Record<string, object>>>>;
}

const text = (bytes: ArrayBuffer): string => new TextDecoder().decode(bytes);

function pageOf(bytes: ArrayBuffer): ChangesPage | null {
  try {
    const page = JSON.parse(text(bytes)) as ChangesPage | null;
    return typeof page?.cursor === 'number' && typeof page.rows === 'object' ? page : null;
  } catch {
    return null;
  }
}

/**
 * Keeps one page of what changed.
 *
 * @param bytes the firm's answer as it came
 * @param asked when it was asked for and had come, this phone's clock, ms
 * @param whole whether the firm was whole on this phone before
 */
export async function keepPage(
  bytes: ArrayBuffer,
  { sent, came, whole }: { sent: number; came: number; whole: boolean },
  store: Pick<RowStore, 'keep'> = browserRows,
): Promise<KeptPage> {
  const page = pageOf(bytes);
  if (!page) return null;
  const { cursor, after, more, rows, serverTime } = page;
  const place: Place = { cursor, ...(after ? { after } : {}), whole: whole || !more, clockOffset: Math.round(Date.parse(serverTime) - (sent + came) / 2) };
  const gone = Object.values(rows.photograph ?? []).flatMap(({ id, removed }) => (removed ? [id] : []));
  return { place, touched: await store.keep(rows, place), more, gone };
}

/** Keeps what an earlier release kept as one text, so that a phone without signal opens with what it had. */
export async function keepOld(cache: string, store: Pick<RowStore, 'keep'> = browserRows): Promise<boolean> {
  try {
    const { clientState } = JSON.parse(cache) as OldCache;
    const pulled = clientState?.queries?.find(({ queryKey }) => queryKey[0] === 'firm')?.state.data;
    if (!pulled?.data || typeof pulled.cursor !== 'number') return false;
    const page = Object.fromEntries(Object.entries(pulled.data).map(([name, table]) => [name, Object.values(table)])) as Page;
    await store.keep(page, { cursor: pulled.cursor, whole: true, clockOffset: pulled.clockOffset ?? 0 });
    return true;
  } catch {
    return false;
  }
}
