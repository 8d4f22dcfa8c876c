import type { TapKind } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { useEffect, useState } from 'react';
import { Pressable, Text } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';

/** What was just logged, for as long as it may be taken back. */
export interface Did {
  readonly what: 'start' | 'checked' | TapKind;
  readonly eventId: string;
  readonly batch: { readonly batch: string; readonly findingId: string; readonly planId: string } | null;
  /** ms since 1970 on this phone */
  readonly until: number;
}

/** The second tap of a double tap would take the first one back: the band comes up where that was made. */
const DEAF_MS = 700;

/** Eight seconds to take a tap back, instead of a dialog before it. */
export function UndoBand({ did, onUndo, onGone }: { did: Did; onUndo: () => void; onGone: () => void }) {
  const speaker = useSpeaker();
  const [left, setLeft] = useState(8);
  const [heardFor, setHeardFor] = useState('');
  useEffect(() => {
    const timer = setTimeout(() => setHeardFor(did.eventId), DEAF_MS);
    return () => clearTimeout(timer);
  }, [did.eventId]);
  const deaf = heardFor !== did.eventId;
  useEffect(() => {
    const tick = (): void => {
      const seconds = Math.ceil((did.until - Date.now()) / 1000);
      if (seconds <= 0) onGone();
      else setLeft(seconds);
    };
    tick();
    const timer = setInterval(tick, 500);
    return () => clearInterval(timer);
  }, [did, onGone]);
  const what = say(speaker, `pour.did.${did.what}`, { batch: did.batch?.batch ?? '' });
  return (
    <Pressable
      role="button"
      aria-label={say(speaker, 'pour.undo', { what, seconds: String(left) })}
      onPress={onUndo}
      disabled={deaf}
      className="min-h-[56px] justify-center self-start bg-selected px-5"
      testID="undo"
    >
      <Text className="font-text text-18 font-bold text-on-selected">{say(speaker, 'pour.undo', { what, seconds: String(left) })}</Text>
    </Pressable>
  );
}
