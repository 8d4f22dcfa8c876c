import type { Reason, ReasonCode } from '@tufa/core/choose';
import { say, sayReason } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { MARK, TONE } from './verdict';
import { useSpeaker } from '../parts/phone/speaker';

/** What a person asks first of a material that fits: how deep, what edge, whether the day leaves time for it, and when it opens. */
const ASKED_FIRST: readonly ReasonCode[] = ['thickness.fits', 'edge.cut', 'edge.feathers', 'lives.fits', 'open.inTime'];
const ORDER = { no: 0, caution: 1, yes: 2 } as const;

/** Why it is what it is: what speaks against it first, then what is asked first; the rest of what fits is a tap away. */
export function ReasonList({ reasons }: { reasons: readonly Reason[] }) {
  const speaker = useSpeaker();
  const [whole, setWhole] = useState(false);
  const sorted = [...reasons].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]);
  const first = sorted.filter(({ verdict, code }) => verdict !== 'yes' || ASKED_FIRST.includes(code));
  const folded = sorted.length - first.length;
  return (
    <View>
      <View role="list" aria-label={say(speaker, 'fix.why')}>
        {(whole ? sorted : first).map((reason, i) => (
          <View key={`${reason.code}${i}`} role="listitem" className="flex-row justify-between gap-4 border-b border-line py-3">
            <T as="strong" className="flex-1">{`${MARK[reason.verdict]}${sayReason(speaker, reason)}`}</T>
            <T as="faint" {...(TONE[reason.verdict] ? { tone: TONE[reason.verdict] } : {})}>
              {say(speaker, `fix.${reason.verdict}`)}
            </T>
          </View>
        ))}
      </View>
      {folded > 0 ? (
        <View className="-ml-2 flex-row">
          <Word label={whole ? say(speaker, 'fix.fewer') : say(speaker, 'fix.moreFit', { count: folded })} onPress={() => setWhole(!whole)} />
        </View>
      ) : null}
    </View>
  );
}
