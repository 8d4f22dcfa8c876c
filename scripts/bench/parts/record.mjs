// A job of five hundred poured batches: how soon its Record opens.
import { percentile } from '../figures.mjs';
import { commandsFrom, jobWithSlab, post, rectangle, typed } from '../jobs.mjs';
import { DOCK, openedIn, PHONE, SIGN_IN, signInOn, startedOn } from '../page.mjs';

export default async function record({ browser, base, figure }) {
  const context = await browser.newContext(PHONE);
  const device = await signInOn(context, base);
  const id = (n) => `0198a000-5ec1-7000-8000-${String(n).padStart(12, '0')}`;
  const command = commandsFrom(id, 200_000, device);
  const add = (name, n, change) => command(`${name}.add`, id(n), change);
  await post(context, base, [
    ...(await jobWithSlab({
      context,
      base,
      like: DOCK,
      add,
      id,
      name: 'Five hundred batches',
      width: 20,
      length: 20,
      thickness: 0.2,
      batch: { share: 1 / 3 },
    })),
    add('finding', 2, {
      jobId: id(0),
      elementId: id(1),
      label: 'A',
      kind: 'spall',
      outline: { points: rectangle(0, 0, 13, 13) },
      properties: { deepest: typed(0.025), shape: 'dish', edge: 'cut' },
    }),
    add('treatment', 3, { jobId: id(0), findingId: id(2), sheetId: '0198a000-0005-7000-8000-000000000005', layers: [], edge: null, bond: null, cure: null }),
  ]);
  const page = await context.newPage();
  await startedOn(page, `${base}/jobs/${id(0)}/pour`);
  await page.getByText('with the firm').waitFor();
  const { plan, pourEvent } = await (await context.request.get(`${base}/api/v1/jobs/${id(0)}`)).json();
  const [planId] = Object.keys(plan);
  const begun = Date.parse(Object.values(pourEvent)[0].deviceAt);
  let seq = 300_000;
  const events = (n) =>
    ['start', 'placed', 'finished'].map((kind, i) =>
      add('pourEvent', 1000 + 3 * n + i, {
        jobId: id(0),
        findingId: id(2),
        planId,
        batch: String(n),
        device,
        seq: (seq += 1),
        deviceAt: new Date(begun + (n * 12 + i * 4) * 60_000).toISOString(),
        clockOffset: 0,
        person: SIGN_IN.data.personId,
        kind,
        v: 1,
        payload: kind === 'start' ? { key: `${id(2)}/fill/1:${n}` } : {},
        undoes: null,
      }),
    );
  await post(context, base, Array.from({ length: 504 }, (_, i) => events(i + 2)).flat());
  const cdp = await context.newCDPSession(page);
  const times = [];
  for (let i = 0; i < 5; i += 1)
    times.push(await openedIn(page, cdp, { from: `${base}/jobs/${id(0)}/fix`, step: 'Record', shows: ['[aria-label="Batches against their plan"]'] }));
  figure('Record of 505 batches opened at 4x, p50 of 5, ms', percentile(times, 0.5), { most: 1000 });
  await context.close();
}
