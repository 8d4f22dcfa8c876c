import type { FirmData, RowOf } from '@tufa/contract/entities';
import type { TakeOff } from '@tufa/core/plan';
import type { Measured } from '@tufa/core/quantity';
import { printFigure, say } from '@tufa/words';
import { Pressable, View } from 'react-native';
import { SmallSection } from '../jobs/SmallSection';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { findingText, planKind, volumeText } from '@tufa/words/survey';

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
  const kind = say(`walk.kinds.${planKind(finding)}`).toLowerCase();
  const size = takeOff ? (takeOff.length_m === null ? printFigure('area_m2', takeOff.area_m2) : printFigure('length_m', takeOff.length_m)) : '';
  const later = finding.properties.phase && finding.properties.phase !== 'now' ? `, ${say(`walk.phases.${finding.properties.phase}`).toLowerCase()}` : '';
  return (
    <View className="border-2 border-edge bg-sheet">
      <Pressable
        role="button"
        aria-label={say('walk.editFinding', { label: finding.label })}
        onPress={onOpen}
        className="min-h-[64px] flex-row items-center justify-between gap-2 px-3 pt-2"
      >
        <SmallSection data={data} finding={finding} />
        <View className="flex-1">
          <T as="strong">{`${finding.label}  ${[kind, size].filter(Boolean).join(', ')}${later}`}</T>
          <T as="faint">{findingText(finding)}</T>
        </View>
        {takeOff ? (
          <View className="items-end">
            <T as="number" className={assumedIn(finding) ? 'border-2 border-dashed border-edge px-1' : ''}>
              {volumeText(takeOff.volume).text}
            </T>
            <T as="small">{volumeText(takeOff.volume).range}</T>
          </View>
        ) : null}
      </Pressable>
      <View className="flex-row justify-between px-1">
        <T as="small" className="self-center pl-2">
          {takeOff?.debris ? say('walk.debris', { mass_kg: takeOff.debris.mass_kg, count: takeOff.debris.bags }) : ''}
        </T>
        <View className="flex-row">
          <Word label={say('walk.copy')} hint={`${say('walk.copy')} ${finding.label}`} onPress={onCopy} />
          <Word label={say('walk.remove')} hint={`${say('walk.remove')} ${finding.label}`} onPress={onRemove} />
        </View>
      </View>
    </View>
  );
}
