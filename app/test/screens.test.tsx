import { PLAIN } from '@tufa/words';
import { act } from '@testing-library/react';
import type { ComponentType } from 'react';
import { DayScreen } from '../day/DayScreen';
import { FixScreen } from '../fix/FixScreen';
import { MixScreen } from '../mix/MixScreen';
import { PourScreen } from '../pour/PourScreen';
import { RecordScreen } from '../record/RecordScreen';
import { WalkScreen } from '../walk/WalkScreen';
import { demonstration, page, show } from './shown';

const SCREENS: Readonly<Record<string, ComponentType>> = {
  walk: WalkScreen,
  fix: FixScreen,
  mix: MixScreen,
  day: DayScreen,
  pour: PourScreen,
  record: RecordScreen,
};
const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;
const CASES = demonstration.flatMap(({ job }) => Object.keys(SCREENS).map((step) => [step, job.name, job.id] as const));

/** Every control says what it does. */
const labelled = (control: Element): boolean => Boolean(document.getElementById(control.getAttribute('aria-labelledby') ?? '')?.textContent);
const nameless = (): string[] =>
  [...document.querySelectorAll('a, button, input, textarea, select, [role=button], [role=link], [role=checkbox], [role=radio], [role=tab], [role=slider]')]
    .filter(
      (control) => !control.getAttribute('aria-label') && !labelled(control) && !control.textContent?.trim() && !(control as HTMLInputElement).labels?.length,
    )
    .map((control) => control.outerHTML.slice(0, 120));

describe.each(CASES)('%s of %s', (step, _name, jobId) => {
  const Screen = SCREENS[step]!;
  const open = async (speaker: typeof PLAIN | typeof METRIC): Promise<void> => {
    await show(<Screen />, { speaker, at: { job: jobId } });
    await act(async () => undefined);
  };

  test('shows its answer in words and units, and every control says what it does', async () => {
    await open(PLAIN);
    expect(document.querySelector('h1, [role=heading][aria-level="1"]')?.textContent).toMatch(/\S/);
    expect(page()).not.toMatch(/\{\{|undefined|NaN|Infinity|\[object|\bnull\b/);
    expect(page()).not.toMatch(/\b(walk|fix|mix|day|pour|record|reason|caution|kit|draw|fixStep|problem)\.[a-z]\w+\b/);
    expect(nameless()).toEqual([]);
  });

  test('tells a metric firm nothing in feet, pounds or degrees Fahrenheit', async () => {
    await open(METRIC);
    expect(page()).not.toMatch(/\d\s?(sq ft|cu ft|ft|lb|oz|gal|qt|°F|psi|yd³)\b/);
  });
});
