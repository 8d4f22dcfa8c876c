import { PLAIN, say } from '@tufa/words';
import { act, fireEvent, waitFor } from '@testing-library/react';
import type { RowOf } from '@tufa/contract/entities';
import { withOutbox } from '../outbox/database';
import { BeforeAfter, pairsOf } from '../record/BeforeAfter';
import { DocumentsView } from '../record/DocumentsView';
import { page, show, tap } from './shown';

const JOB = '0198a000-de00-7000-8000-000000000001';
const photo = (id: string, before: string | null, more: Partial<RowOf<'photograph'>> = {}): RowOf<'photograph'> => ({
  ...{ id, version: 1, changed: 1, removed: false, jobId: JOB, elementId: null, findingId: null, batch: null, sha256: 'a'.repeat(64), bytes: 3 },
  ...{ takenAt: '2026-05-12T10:00:00Z', strokes: [], before, ...more },
});
const table = (...rows: readonly RowOf<'photograph'>[]) => Object.fromEntries(rows.map((row) => [row.id, row]));

test('a picture that repeats another is shown with it, oldest first; one whose before is gone, or of another job, is not', () => {
  const [a, b, c] = [photo('a', null), photo('b', 'a', { takenAt: '2026-05-14T10:00:00Z' }), photo('c', 'a', { takenAt: '2026-05-13T10:00:00Z' })];
  expect(pairsOf(table(a, b, c), JOB).map(({ before, after }) => [before.id, after.id])).toEqual([
    ['a', 'c'],
    ['a', 'b'],
  ]);
  expect(pairsOf(table({ ...a, removed: true }, b), JOB)).toEqual([]);
  expect(pairsOf(table(a, { ...b, removed: true }, photo('d', 'a', { jobId: 'other' })), JOB)).toEqual([]);
});

test('before and after lie over each other, and the slider moves where one ends', async () => {
  Object.assign(URL, { createObjectURL: () => 'blob:picture', revokeObjectURL: () => undefined });
  for (const id of ['a', 'b']) await withOutbox((db) => db.put('photo', { id, full: new Blob(['x']), thumb: new Blob(['x']), sent: false }));
  await show(<BeforeAfter before={photo('a', null)} after={photo('b', 'a')} name="Spall A" />);
  const before = await waitFor(() => {
    const image = document.querySelector<HTMLImageElement>(`img[alt="${say(PLAIN, 'record.before')}"]`);
    expect(image).not.toBeNull();
    return image!;
  });
  expect(before.style.clipPath).toContain('50%');
  await act(async () => void fireEvent.change(document.querySelector('input[type=range]')!, { target: { value: '80' } }));
  expect(before.style.clipPath).toContain('20%');
});

test('a document is asked for and told by its number; while it is made it can be stopped; why it is not made is told', async () => {
  const asked: string[] = [];
  let state = 'making';
  const made = () => ({ id: 'd', jobId: JOB, kind: 'offer', number: '2026-0007', madeAt: '2026-05-12T10:00:00Z', state, done: 2, total: 9, sha256: null });
  let refuses = false;
  Object.assign(globalThis, {
    fetch: async (path: string, { method = 'GET' }: RequestInit = {}) => {
      asked.push(`${method} ${path}`);
      if (method === 'DELETE') state = 'stopped';
      const body =
        refuses && method === 'POST' ? { type: 'urn:tufa:problem:stoppedJob', title: '', status: 409, code: 'stoppedJob' } : { ...made(), documents: [made()] };
      return { ok: !(refuses && method === 'POST'), status: refuses && method === 'POST' ? 409 : 200, statusText: '', json: async () => body };
    },
  });
  await show(<DocumentsView jobId={JOB} />);
  await tap(`${say(PLAIN, 'documents.make')}: ${say(PLAIN, 'documents.kind.offer')}`);
  expect(asked).toContain(`POST /api/v1/jobs/${JOB}/documents`);
  await waitFor(() => expect(page()).toContain('2 of 9'));
  await tap(say(PLAIN, 'documents.stop'));
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'documents.state.stopped')));
  expect(asked).toContain('DELETE /api/v1/documents/d');
  refuses = true;
  await tap(`${say(PLAIN, 'documents.make')}: ${say(PLAIN, 'documents.kind.method')}`);
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'problem.stoppedJob')));
});
