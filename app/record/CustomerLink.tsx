import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { doorText } from '../doors/useDoorForm';
import { api } from '../outbox/api';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { sayDate } from '@tufa/words/dates';

/** A customer has a fortnight to read what they were sent. */
const DAYS = 14;

/** A link by which a customer reads one document without signing in, until it ends or is ended. */
export function CustomerLink({ documentId }: { documentId: string }) {
  const speaker = useSpeaker();
  const [made, setMade] = useState<{ link: string; endsAt: string } | null>(null);
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const tried = (work: Promise<unknown>): void => {
    setSaid(null);
    work.catch((error: unknown) => setSaid({ text: doorText(speaker, error), bad: true }));
  };
  const make = async (): Promise<void> => {
    const { path, endsAt } = await api.linkDocument(documentId, DAYS);
    const link = `${window.location.origin}${path}`;
    setMade({ link, endsAt });
    await navigator.clipboard?.writeText(link).catch(() => null);
  };
  const end = async (): Promise<void> => {
    await api.endLinks(documentId);
    setMade(null);
    setSaid({ text: say(speaker, 'doors.linkEnded'), bad: false });
  };
  return (
    <View className="gap-1">
      <View className="flex-row flex-wrap gap-x-3">
        <Word writes="documents" label={say(speaker, 'doors.link')} onPress={() => tried(make())} />
        <Word writes="documents" label={say(speaker, 'doors.linkEnd')} onPress={() => tried(end())} />
      </View>
      {made ? (
        <View role="status">
          <T as="small">{say(speaker, 'doors.linkFor', { date: sayDate(speaker, made.endsAt, 'moment') })}</T>
          <T as="small" className="select-text break-all">
            {made.link}
          </T>
        </View>
      ) : null}
      {said ? (
        <View role={said.bad ? 'alert' : 'status'}>
          <T {...(said.bad ? { tone: 'stop' as const } : {})}>{said.text}</T>
        </View>
      ) : null}
    </View>
  );
}
