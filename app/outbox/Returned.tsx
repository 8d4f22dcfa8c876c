import type { Writable } from '@tufa/contract/commands';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { Button, Word } from '../parts/ui/Button';
import { Table } from '../parts/ui/Lines';
import { Sheet } from '../parts/ui/Sheet';
import { Slide } from '../parts/ui/Slide';
import { T } from '../parts/ui/T';
import type { OutboxRecord } from './database';
import { differences } from './differences';
import { outbox } from './Outbox';
import { change, sendAgain, useUnsent, writeInstead } from './useFirm';
import { useSpeaker } from '../parts/phone/speaker';

/** What came back from the firm: a clash with both values, or a refusal. Nothing is lost until somebody decides. */
export default function Returned() {
  const speaker = useSpeaker();
  const { records } = useUnsent();
  const [open, setOpen] = useState(false);
  const [record] = records.filter(({ state }) => state === 'parked' || state === 'refused');
  if (!record) return null;
  const what = say(speaker, record.state === 'parked' ? 'state.parked' : 'state.refusedShort');
  return (
    <View role="alert" className="flex-row items-center justify-between bg-caution-fill px-4">
      <T className="flex-1">{what}</T>
      <Word label={say(speaker, 'state.look')} onPress={() => setOpen(true)} />
      {open ? <Settle key={record.order} record={record} title={what} onClose={() => setOpen(false)} /> : null}
    </View>
  );
}

function Settle({ record, title, onClose }: { record: OutboxRecord; title: string; onClose: () => void }) {
  const speaker = useSpeaker();
  const { result, command } = record;
  const drop = (): void => void outbox.forget([record.order]).then(onClose);
  if (result?.result !== 'conflict')
    return (
      <Sheet title={title} onClose={onClose}>
        <T>{say(speaker, 'state.refused', { title: result?.result === 'refused' ? result.problem.title : '' })}</T>
        <Button label={say(speaker, 'state.again')} tone="act" onPress={() => void sendAgain(record.order).then(onClose)} />
        <Slide label={say(speaker, 'state.dismiss')} onSlid={drop} />
      </Sheet>
    );
  const [name] = command.kind.split('.') as [Writable];
  // Mine again, on top of theirs: the write reads the present values as its base, and takes this record's place.
  const keep = (): void => void writeInstead([record.order], change(name, 'change', command.target, command.change)).then(onClose);
  const rows = result.conflicts.flatMap(({ field, yours, theirs }) => differences(speaker, field, yours, theirs));
  return (
    <Sheet title={title} onClose={onClose}>
      <Table
        caption={title}
        columns={[say(speaker, 'conflict.what'), say(speaker, 'conflict.yours'), say(speaker, 'conflict.theirs')]}
        rows={rows.map((row) => [row.name, row.yours, row.theirs])}
      />
      <Button label={say(speaker, 'state.keepMine')} tone="act" onPress={keep} />
      <Slide label={say(speaker, 'state.keepTheirs')} onSlid={drop} />
    </Sheet>
  );
}
