import { PLAIN, say } from '@tufa/words';
import { fireEvent, waitFor } from '@testing-library/react';
import { ArchiveView } from '../firm/ArchiveView';
import { page, show } from './shown';

/** What the server answers to the one request of a test. */
const answers = (status: number, body: object): void => {
  Object.assign(globalThis, { fetch: async () => ({ ok: status < 300, status, statusText: '', json: async () => body }) });
};
const pick = (): void => {
  fireEvent.change(document.querySelector('[data-testid=archive-file]')!, { target: { files: [new File(['zip'], 'firm.zip')] } });
};

test('a firm that comes in is told by its jobs; why one does not is told in words', async () => {
  await show(<ArchiveView begun={false} unsent={0} />);
  answers(422, { type: 'urn:tufa:problem:archiveBroken', title: '', status: 422, code: 'archiveBroken', figures: { file: 'photographs/a.full.jpg' } });
  pick();
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'problem.archiveBroken', { file: 'photographs/a.full.jpg' })));
  answers(200, { rows: { job: 12 }, files: 30 });
  pick();
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'archive.brought', { jobs: '12', files: '30' })));
});

test('a firm that has begun takes no other in, and what is unsent is said before it goes out', async () => {
  await show(<ArchiveView begun unsent={2} />);
  expect(document.querySelector('[data-testid=archive-file]')).toBeNull();
  expect(page()).toContain(say(PLAIN, 'archive.unsent', { count: 2 }));
});
