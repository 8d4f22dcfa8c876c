import { say } from '@tufa/words/speak';
import { useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { outbox } from '../outbox/Outbox';
import { useFirm, write, change } from '../outbox/useFirm';
import type { OutboxRecord } from '../outbox/database';
import { Word } from './Button';
import { T } from './T';
import type { Writable } from '@tufa/contract/commands';

const subscribeOnline = (listener: () => void): (() => void) => {
  window.addEventListener('online', listener);
  window.addEventListener('offline', listener);
  return () => {
    window.removeEventListener('online', listener);
    window.removeEventListener('offline', listener);
  };
};

export const useOnline = (): boolean =>
  useSyncExternalStore(
    subscribeOnline,
    () => navigator.onLine,
    () => true,
  );

/** "on this phone" with the count, or "with the firm". No signal is an ordinary state. */
export function SyncLine() {
  const { unsent } = useFirm();
  const online = useOnline();
  return (
    <View role="status" aria-live="polite">
      <T as="small" className="text-right">
        {unsent > 0 ? `${say('state.onPhone')}, ${say('state.unsent', { count: unsent })}` : online ? say('state.withFirm') : say('state.onPhone')}
      </T>
    </View>
  );
}

/** A parked command back on the screen with both values, or what the firm refused: one tap settles it. */
export function Returned() {
  const { records } = useFirm();
  const returned = records.filter(({ state }) => state === 'parked' || state === 'refused');
  if (outbox.storageRefused)
    return (
      <View role="alert" className="bg-stop-fill px-4 py-2">
        <T tone="stop">{say('state.storage')}</T>
      </View>
    );
  return (
    <>
      {returned.map((record) => (
        <One key={record.order} record={record} />
      ))}
    </>
  );
}

const brief = (value: unknown): string => {
  const text = typeof value === 'string' ? value : JSON.stringify(value);
  return text.length > 60 ? `${text.slice(0, 57)}...` : text;
};

function One({ record }: { record: OutboxRecord }) {
  const { result, command } = record;
  const drop = (): void => void outbox.forget([record.order]);
  if (result?.result === 'conflict') {
    const [first] = result.conflicts;
    const [name] = command.kind.split('.') as [Writable];
    // Mine again, on top of theirs: the write reads the present values as its base.
    const keep = (): void => void outbox.forget([record.order]).then(() => write(change(name, 'change', command.target, command.change)));
    return (
      <View role="alert" className="flex-row flex-wrap items-center bg-caution-fill px-4 py-1">
        <T className="flex-1">{say('state.parked', { yours: brief(first?.yours), theirs: brief(first?.theirs) })}</T>
        <Word label={say('state.keepMine')} onPress={keep} />
        <Word label={say('state.keepTheirs')} onPress={drop} />
      </View>
    );
  }
  return (
    <View role="alert" className="flex-row flex-wrap items-center bg-stop-fill px-4 py-1">
      <T className="flex-1">{say('state.refused', { title: result?.result === 'refused' ? result.problem.title : '' })}</T>
      <Word label={say('state.dismiss')} onPress={drop} />
    </View>
  );
}
