import type { RowOf } from '@tufa/contract/entities';
import { fireEvent, waitFor } from '@testing-library/react';
import { ChancesView } from '../firm/ChancesView';
import { RatesView } from '../firm/RatesView';
import { ReadUnless, RightsContext } from '../parts/phone/rights';
import { Button } from '../parts/ui/Button';
import { control, FIRM, page, show, typeIn, written } from './shown';

const firmOf = (data: { firm: Readonly<Record<string, RowOf<'firm'>>> }) => data.firm[FIRM]!;
const settings = () => written().at(-1)?.change['settings'] as Record<string, unknown> | undefined;

test('how sure a firm wants to be is typed as a share and stands behind every plan; what is out of reason is said and not kept', async () => {
  await show(({ data }) => <ChancesView firm={firmOf(data)} />);
  await typeIn(/lose a batch/, '5 %');
  await waitFor(() => expect(settings()).toMatchObject({ acceptedChance: 0.05 }));
  await typeIn(/order is enough/, '30');
  expect(page()).toContain('From 50 to 99 %.');
  await typeIn(/short/, '45');
  await waitFor(() => expect(settings()).toMatchObject({ shortCost_minor: 4500 }));
  expect(written()).toHaveLength(2);
});

test('parts of a bag are split off as the firm mixes them; a whole bag always is', async () => {
  await show(({ data }) => <ChancesView firm={firmOf(data)} />);
  fireEvent.click(control('checkbox', '1/4'));
  await waitFor(() => expect(settings()?.['grid']).toEqual([1, 1 / 2, 1 / 3]));
  fireEvent.click(control('checkbox', '1'));
  await waitFor(() => expect((settings()?.['grid'] as number[])[0]).toBe(1));
});

test.each([
  ['reader', false, true],
  ['lead', true, true],
  ['owner', true, false],
] as const)('a %s sees what is theirs to do; what is not is read and takes nothing', async (role, chooses, pricesRead) => {
  await show(({ data }) => (
    <RightsContext.Provider value={role}>
      <Button label="Choose" writes="treatment.change" onPress={() => undefined} />
      <ReadUnless may="doors">
        <RatesView firm={firmOf(data)} />
      </ReadUnless>
    </RightsContext.Provider>
  ));
  expect(page().includes('Choose')).toBe(chooses);
  expect((control('textbox', /hour/i) as HTMLInputElement).readOnly).toBe(pricesRead);
});
