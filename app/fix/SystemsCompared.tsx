import { ratesOf, type Decision, type SystemInput, type SystemOutcome } from '@tufa/core/plan';
import { systemsHeight, systemsScene } from '@tufa/draw';
import { say, sayReason } from '@tufa/words';
import { View } from 'react-native';
import { Word } from '../parts/ui/Button';
import { saveSvg } from '../parts/phone/saveSvg';
import { SceneView } from '../parts/ui/SceneView';
import { SideBySide } from '../parts/ui/SideBySide';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { useSize } from '../parts/phone/useSize';
import { findingName } from '@tufa/words/findingName';
import { SYSTEM_NUMBERS, systemName } from './systemName';
import { systemRows } from './systemRows';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { sheetOf } from '@tufa/core/plan';

/** The whole comparison: a bar each, the table with what is best marked, what stands against them, what is in them. */
export function SystemsCompared({
  view,
  systems,
  outcomes,
  decision,
}: {
  view: JobView;
  systems: readonly SystemInput[];
  outcomes: readonly SystemOutcome[];
  decision: Decision | null;
}) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const scene = size
    ? systemsScene({
        width: size.width,
        bars: outcomes.map(({ code, cost, total }, i) => ({
          number: SYSTEM_NUMBERS[i]!,
          name: systemName(speaker, code),
          material_minor: cost.material_minor,
          labour_minor: cost.labour_minor,
          rest_minor: cost.trips_minor + cost.tools_minor + cost.disposal_minor,
          low_minor: total.p10,
          high_minor: total.p90,
          best: i === decision?.winner,
        })),
      })
    : null;
  const against = outcomes.flatMap(({ reasons, life }, i) =>
    [...new Set([...reasons, ...life.reasons].map((reason) => sayReason(speaker, reason)))].map((what) =>
      say(speaker, 'systems.says', { number: SYSTEM_NUMBERS[i]!, what }),
    ),
  );
  const rates = ratesOf(view.input.firm);
  return (
    <View className="gap-4">
      <View>
        <View style={{ height: systemsHeight(outcomes.length) }} onLayout={onLayout} testID="systems-chart">
          {scene ? <SceneView scene={scene} /> : null}
        </View>
        <View className="flex-row justify-end">
          {scene ? (
            <Word
              label={say(speaker, 'draw.svg')}
              hint={say(speaker, 'systems.chart')}
              onPress={() => saveSvg(speaker, scene, say(speaker, 'systems.title'))}
            />
          ) : null}
        </View>
      </View>
      <SideBySide
        testID="systems"
        caption={say(speaker, 'systems.title')}
        corner={say(speaker, 'systems.what')}
        columns={outcomes.map(({ code }, i) => ({
          key: code,
          label: say(speaker, 'systems.says', { number: SYSTEM_NUMBERS[i]!, what: systemName(speaker, code) }),
        }))}
        rows={systemRows(speaker, outcomes, decision)}
      />
      <View className="gap-1">
        <T as="h2">{say(speaker, 'systems.against')}</T>
        {against.length === 0 ? <T>{say(speaker, 'systems.fine')}</T> : against.map((line) => <T key={line}>{line}</T>)}
      </View>
      <View className="gap-1">
        <T as="h2">{say(speaker, 'systems.products')}</T>
        {systems.map((system, i) => (
          <T key={system.code}>{say(speaker, 'systems.says', { number: SYSTEM_NUMBERS[i]!, what: productsOf(speaker, view, system) })}</T>
        ))}
      </View>
      <T as="small">{say(speaker, 'systems.rates', { labour_minor: rates.labour_minor_h, trip_minor: rates.trip_minor })}</T>
    </View>
  );
}

/** What fills each finding, and what goes over it. */
function productsOf(speaker: Speaker, { input, data }: JobView, { code, treatments }: SystemInput): string {
  if (code === 'replace') return say(speaker, 'systems.newConcrete');
  const name = (sheetId: string): string => sheetOf(input, sheetId)?.name ?? '';
  const lines = treatments.map(({ findingId, sheetId, overlay }) => {
    const label = findingName(speaker, data, findingId);
    return overlay
      ? say(speaker, 'systems.over', { label, name: name(sheetId), overlay: name(overlay.sheetId) })
      : say(speaker, 'systems.filled', { label, name: name(sheetId) });
  });
  return lines.length > 0 ? lines.join('; ') : say(speaker, 'systems.nothingFits');
}
