import { DEFAULT_CREW, DEFAULT_FIRM, strataDomain, STRATA_QUANTITIES, windowFor, type StrataQuantity, type WindowQuestion } from '@tufa/core/plan';
import { ASSUMED, shelfOf } from '@tufa/contract/assemble';
import { say, printFigure } from '@tufa/words';
import { useLocalSearchParams } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { dontKnow, Quantities } from '../day/Quantities';
import { StrataView } from '../day/Strata';
import { useFirm } from '../outbox/useFirm';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import { SheetPick } from './SheetPick';

/** The sum Window: how long a batch of any sheet stays workable, at any temperatures, without a job. */
export function WindowScreen() {
  const speaker = useSpeaker();
  const { sheet: wanted } = useLocalSearchParams<{ sheet?: string }>();
  const firm = useFirm();
  const sheets = shelfOf(firm.data);
  const [sheetId, setSheetId] = useState<string | null>(wanted ?? null);
  const [quantity, setQuantity] = useState<StrataQuantity>('slab_C');
  const [values, setValues] = useState<Partial<WindowQuestion>>({});
  const picked = sheets.find(({ id }) => id === sheetId) ?? sheets[0];
  const sheet = picked?.sheet;
  const settings = Object.values(firm.data.firm)[0]?.settings ?? DEFAULT_FIRM;
  const followed = useDeferredValue(values);
  const question = useMemo<WindowQuestion | null>(
    () =>
      sheet
        ? {
            sheet,
            task: 'spread',
            share: 0.5,
            retarderDose: 0,
            thickness_m: Math.min(Math.max(0.02, sheet.thickness.least_m), sheet.thickness.liftMost_m),
            ...ASSUMED,
            sun: false,
            crew: DEFAULT_CREW,
            acceptedChance: settings.acceptedChance,
            ...followed,
          }
        : null,
    [sheet, followed, settings.acceptedChance],
  );
  const answer = useMemo(() => (question ? windowFor(question) : null), [question]);
  const domain = sheet ? strataDomain(sheet, quantity) : null;
  return (
    <Screen
      title={say(speaker, 'bench.window')}
      head={
        <View className="gap-1">
          <Answer after={say(speaker, 'bench.place')}>{answer ? printFigure(speaker, 't_s', answer.window.placeBy_s) : say(speaker, 'bench.window')}</Answer>
          {answer ? (
            <T as="lead">
              {say(speaker, 'bench.placeLead', {
                finish: printFigure(speaker, 't_s', answer.window.finishBy_s),
                set: printFigure(speaker, 't_s', answer.milestones.find(({ name }) => name === 'initial')?.after_s ?? answer.window.finishBy_s),
              })}
            </T>
          ) : null}
        </View>
      }
    >
      <Standing firm={firm} />
      {firm.ready && !sheet ? <T as="lead">{say(speaker, 'bench.none')}</T> : null}
      {question && answer && domain && sheet && picked ? (
        <>
          <StrataView
            question={question}
            quantity={quantity}
            value={values[quantity] ?? question[quantity]}
            domain={domain}
            ghost={null}
            answer={answer}
            onChange={(value) => setValues({ ...values, [quantity]: value })}
          />
          <Quantities
            question={{ ...question, ...values }}
            quantity={quantity}
            available={STRATA_QUANTITIES.filter((code) => strataDomain(sheet, code) !== null)}
            assumed={Object.keys(ASSUMED).filter((kind) => values[kind as StrataQuantity] === undefined)}
            domain={domain}
            onSelect={setQuantity}
            onChange={(value) => setValues({ ...values, [quantity]: value })}
            onSun={(sun) => setValues({ ...values, sun })}
            onDontKnow={dontKnow(quantity, () => setValues(({ [quantity]: _, ...kept }) => kept))}
          />
          <SheetPick
            sheets={sheets}
            picked={picked}
            onPick={(id) => {
              setSheetId(id);
              const material = sheets.find((listed) => listed.id === id)?.sheet;
              // Another sheet has another reach for thickness and retarder; the temperatures stay.
              setValues(({ thickness_m: _t, retarderDose: _r, share: _s, ...kept }) => kept);
              setQuantity((current) => (material && strataDomain(material, current) ? current : 'slab_C'));
            }}
          />
        </>
      ) : null}
    </Screen>
  );
}
