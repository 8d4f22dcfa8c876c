import { bagSum } from '@tufa/core/bench';
import { PLAIN, say, sayCoded } from '@tufa/words';
import { screen, waitFor } from '@testing-library/react';
import { BenchScreen } from '../bench/BenchScreen';
import { ConvertScreen } from '../bench/ConvertScreen';
import { SumScreen } from '../bench/SumScreen';
import { SUM_CODES } from '../bench/sums';
import { WindowScreen } from '../bench/WindowScreen';
import { demonstration, firmWith, lastOf, page, press, show, tap, typeIn } from './shown';

const heading = (): string => document.querySelector('[role=heading][aria-level="1"]')?.textContent ?? '';
const open = (sum: string, speaker = PLAIN) => show(<SumScreen />, { at: { sum }, speaker });

test('the bench leads to every sum', async () => {
  await show(<BenchScreen />);
  for (const code of SUM_CODES) expect(page()).toContain(say(PLAIN, `bench.${code}`));
});

test.each(SUM_CODES.flatMap((code) => (['us', 'metric'] as const).map((system) => [code, system] as const)))(
  '%s in %s units begins with an answer and its working',
  async (code, system) => {
    await open(code, { ...PLAIN, system });
    expect(heading()).not.toBe(sayCoded(PLAIN, `sum.${code}.lead`));
    expect(heading()).toMatch(/\d/);
    expect(screen.getByRole('list', { name: say(PLAIN, 'sum.working') }).children.length).toBeGreaterThan(1);
    // Every sentence is there and every figure in it.
    expect(page()).not.toMatch(/\{\{|sum\.|NaN|undefined/);
  },
);

test('what is typed wrong says what to do and stays; what is typed right stays for the next time', async () => {
  const { unmount } = await open('bag');
  await typeIn('Bags', '-3');
  await waitFor(() => expect(page()).toContain('Write a figure from 0.01 to 200.'));
  expect((screen.getByLabelText('Bags') as HTMLInputElement).value).toBe('-3');
  await typeIn('Bags', '2');
  await waitFor(() => expect(page()).not.toContain('Write a figure'));
  const answer = heading();
  unmount();
  await open('bag');
  expect(heading()).toBe(answer);
});

test('another product is found by a word of its name, and the sum is worked with it', async () => {
  await open('bag', { ...PLAIN, system: 'metric' });
  await typeIn(say(PLAIN, 'sum.find'), 'sanded rapid coarse');
  await tap('Sanded rapid mortar, coarse sand');
  const sheet = Object.values(firmWith().sheet)
    .map(({ sheet: each }) => each)
    .find(({ name }) => name === 'Sanded rapid mortar, coarse sand')!;
  const { answer } = bagSum({ sheet: sheet as never, bags: 1, thickness_m: 0.02 });
  expect(parseFloat(heading())).toBeCloseTo(answer.figures['volume_m3']! * 1000, 1);
  await typeIn(say(PLAIN, 'sum.find'), 'no such thing');
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'sum.noneFound')));
});

test('a label’s claim that leaves less than the sheet asks is said', async () => {
  await open('cover');
  await typeIn(say(PLAIN, 'sum.field.claim_m2.us'), '400');
  await waitFor(() => expect(page()).toMatch(/claim leaves .*under the/));
});

test('a figure is converted to every unit of its kind; one that cannot be read says so', async () => {
  await show(<ConvertScreen />);
  await typeIn(say(PLAIN, 'sum.convert.figure'), '8\' 4"');
  await waitFor(() => expect(page()).toContain('2540 mm'));
  await typeIn(say(PLAIN, 'sum.convert.figure'), 'eight');
  await waitFor(() => expect(document.querySelector('[role=alert], .text-stop')).not.toBeNull());
  await press(screen.getByRole('radio', { name: say(PLAIN, 'sum.convert.temperature') }));
  await typeIn(say(PLAIN, 'sum.convert.figure'), '20 C');
  await waitFor(() => expect(page()).toContain('68 °F'));
});

test('the window takes any product of the shelf, a resin too', async () => {
  await show(<WindowScreen />);
  await typeIn(say(PLAIN, 'sum.find'), 'one-to-one crack resin');
  await press(screen.getAllByRole('button', { name: /^One-to-one crack resin/ })[0]!);
  expect(heading()).toMatch(/\d/);
});

test('a sum is kept with a job as it was asked and answered; Mix opens it again, or takes it away', async () => {
  const { unmount } = await open('bag');
  await typeIn('Bags', '3');
  const answer = heading();
  await tap(say(PLAIN, 'sum.keep'));
  const { job } = demonstration[0]!;
  await tap(job.name);
  const { change: kept } = await lastOf(1);
  expect(kept).toMatchObject({ kind: 'sum', jobId: job.id, value: { typed: `Bag: ${answer}` } });
  const [code, typed] = String(kept['subject']).split('?');
  unmount();
  await show(<SumScreen />, { at: { sum: code!, ...Object.fromEntries(new URLSearchParams(typed)) } });
  expect(heading()).toBe(answer);
});
