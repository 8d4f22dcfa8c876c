import { materialOf } from '@tufa/contract/assemble';
import type { FirmData, RowOf } from '@tufa/contract/entities';
import type { TakeOff } from '@tufa/core/plan';
import type { Measured } from '@tufa/core/quantity';
import { standingOn } from '@tufa/core/survey';
import { printFigure, say } from '@tufa/words';
import { Pressable, View } from 'react-native';
import { SmallSection } from '../jobs/SmallSection';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { findingText, planKind, volumeText } from '@tufa/words/survey';
import { useSpeaker } from '../parts/phone/speaker';

const assumedIn = (finding: RowOf<'finding'>): boolean =>
  Object.values(finding.properties as object).some((value) => (value as Measured | null)?.source === 'assumed');

/** One finding in the list: its own drawing, what it is, how much. */
export function FindingRow({
  finding,
  data,
  takeOff,
  onOpen,
  onCopy,
  onRemove,
}: {
  finding: RowOf<'finding'>;
  data: FirmData;
  takeOff: TakeOff | undefined;
  onOpen: () => void;
  onCopy: () => void;
  onRemove: () => void;
}) {
  const speaker = useSpeaker();
  const kind = say(speaker, `walk.kinds.${planKind(finding)}`).toLowerCase();
  const chosen = Object.values(data.treatment).find((treatment) => treatment.findingId === finding.id && !treatment.removed);
  const size = takeOff
    ? takeOff.length_m === null
      ? printFigure(speaker, 'area_m2', takeOff.area_m2)
      : printFigure(speaker, 'length_m', takeOff.length_m)
    : '';
  const element = data.element[finding.elementId];
  const { water } = element?.properties ?? {};
  const standing =
    element && water && finding.kind !== 'mark' ? standingOn({ kind: element.kind, outline: element.geometry.outline, water }, finding.outline.points) : null;
  const later =
    finding.properties.phase && finding.properties.phase !== 'now' ? `, ${say(speaker, `walk.phases.${finding.properties.phase}`).toLowerCase()}` : '';
  return (
    <View className="border-2 border-edge bg-sheet">
      <Pressable
        role="button"
        aria-label={say(speaker, 'walk.editFinding', { label: finding.label })}
        onPress={onOpen}
        className="min-h-[64px] flex-row items-center justify-between gap-2 px-3 pt-2"
      >
        <SmallSection finding={finding} element={data.element[finding.elementId] ?? null} sheet={chosen ? materialOf(data, chosen.sheetId) : null} />
        <View className="flex-1">
          <T as="strong">{`${finding.label}  ${[kind, size].filter(Boolean).join(', ')}${later}`}</T>
          <T as="faint">{findingText(speaker, finding)}</T>
          {standing ? <T as="faint">{say(speaker, `walk.water.stands.${standing.lies}`, { head_m: standing.head_m })}</T> : null}
        </View>
        {takeOff ? (
          <View className="items-end">
            <T as="number" className={assumedIn(finding) ? 'border-2 border-dashed border-edge px-1' : ''}>
              {volumeText(speaker, takeOff.volume).text}
            </T>
            <T as="small">{volumeText(speaker, takeOff.volume).range}</T>
          </View>
        ) : null}
      </Pressable>
      <View className="flex-row justify-between px-1">
        <T as="small" className="self-center pl-2">
          {takeOff?.debris ? say(speaker, 'walk.debris', { mass_kg: takeOff.debris.mass_kg, count: takeOff.debris.bags }) : ''}
        </T>
        <View className="flex-row">
          <Word writes="finding.add" label={say(speaker, 'walk.copy')} hint={`${say(speaker, 'walk.copy')} ${finding.label}`} onPress={onCopy} />
          <Word writes="finding.remove" label={say(speaker, 'walk.remove')} hint={`${say(speaker, 'walk.remove')} ${finding.label}`} onPress={onRemove} />
        </View>
      </View>
    </View>
  );
}
