import type { RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { usePhotoUrl } from '../photos/photographs';

type Photo = RowOf<'photograph'>;

/** Pictures that were taken again from the same place, each with the one before. */
export const pairsOf = (photographs: Readonly<Record<string, Photo>>, jobId: string): readonly { readonly before: Photo; readonly after: Photo }[] =>
  Object.values(photographs)
    .filter((photo) => photo.jobId === jobId && !photo.removed && photo.before !== null)
    .sort((a, b) => (a.takenAt < b.takenAt ? -1 : 1))
    .flatMap((after) => {
      const before = after.before === null ? undefined : photographs[after.before];
      return before && !before.removed ? [{ before, after }] : [];
    });

/** Before and after from the same place, one over the other: the slider moves where one ends and the other begins. */
export function BeforeAfter({ before, after, name }: { before: Photo; after: Photo; name: string }) {
  const speaker = useSpeaker();
  const [share, setShare] = useState(50);
  const [first, second] = [usePhotoUrl(before, 'full'), usePhotoUrl(after, 'full')];
  if (!first || !second) return null;
  const picture = { position: 'absolute', inset: 0, width: '100%', height: '100%', objectFit: 'cover' } as const;
  const tag = 'absolute bottom-2 bg-ground px-2 py-1';
  return (
    <View className="gap-1" testID="before-after">
      <T as="strong">{name}</T>
      <View className="relative h-[240px] overflow-hidden bg-sunk">
        <img src={second} alt={say(speaker, 'record.after')} style={picture} />
        <img src={first} alt={say(speaker, 'record.before')} style={{ ...picture, clipPath: `inset(0 ${100 - share}% 0 0)` }} />
        <View className="absolute bottom-0 top-0 w-[4px] bg-ink" style={{ left: `${share}%` }} />
        <View className={`${tag} left-2`}>
          <T as="strong">{say(speaker, 'record.before')}</T>
        </View>
        <View className={`${tag} right-2`}>
          <T as="strong">{say(speaker, 'record.after')}</T>
        </View>
      </View>
      <input
        type="range"
        min={0}
        max={100}
        value={share}
        aria-label={say(speaker, 'record.slide', { name })}
        onChange={(event) => setShare(Number(event.target.value))}
        style={{ width: '100%', height: 56, accentColor: 'rgb(var(--color-ink))' }}
      />
    </View>
  );
}
