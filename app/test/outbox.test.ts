import 'fake-indexeddb/auto';
import type { Command, CommandResult } from '@tufa/contract/commands';
import { Outbox } from '../outbox/Outbox';

const PERSON = '0198a000-9e09-7000-8000-000000000001';
const JOB = '0198a000-de00-7000-8000-000000000001';

beforeAll(() => {
  Object.assign(globalThis, { structuredClone: globalThis.structuredClone ?? ((value: unknown) => JSON.parse(JSON.stringify(value))) });
  Object.defineProperty(navigator, 'locks', {
    value: { request: async (_name: string, _options: object, work: (lock: object) => Promise<void>) => work({}) },
    configurable: true,
  });
});

const rename = (name: string) => ({ kind: 'job.change' as const, target: JOB, base: { name: '' }, change: { name } });
const done = (commands: readonly Command[]): CommandResult[] => commands.map(({ id }) => ({ id, result: 'done', version: 2 }));

test('what is written outlives the page, leaves in order and only once, and stays until it has come back', async () => {
  const first = new Outbox();
  await first.open();
  await first.write(PERSON, [rename('one'), rename('two')], new Date(0));
  // The page is gone; another opens.
  const second = new Outbox();
  await second.open();
  expect(second.deviceId()).toBe(first.deviceId());
  const names = (commands: readonly Command[]): unknown[] => commands.map(({ change }) => (change as { name: string }).name);
  expect(names(second.snapshot().map(({ command }) => command))).toEqual(['one', 'two']);

  await expect(
    second.drain(
      () => Promise.reject(new Error('no signal')),
      async () => undefined,
    ),
  ).rejects.toThrow('no signal');
  expect(second.snapshot().map(({ state }) => state)).toEqual(['waiting', 'waiting']);

  const sent: Command[][] = [];
  await second.drain(
    async (commands) => {
      sent.push([...commands]);
      return done(commands);
    },
    async () => expect(second.snapshot().map(({ state }) => state)).toEqual(['sent', 'sent']),
  );
  expect(sent.map(names)).toEqual([['one', 'two']]);
  expect(sent[0]!.map(({ seq }) => seq)).toEqual([...sent[0]!.map(({ seq }) => seq)].sort((a, b) => a - b));
  expect(second.snapshot()).toEqual([]);
});

test('a conflict is parked and a refusal kept, and the rest go on; a pour event carries its device and count', async () => {
  const box = new Outbox();
  await box.open();
  await box.write(PERSON, [rename('theirs'), rename(''), { kind: 'pourEvent.add', target: JOB, base: null, change: { kind: 'start' } }], new Date(0));
  let event: Command | undefined;
  await box.drain(
    async (commands) => {
      event = commands[2];
      const [a, b, c] = commands.map(({ id }) => id) as [string, string, string];
      return [
        { id: a, result: 'conflict', version: 3, conflicts: [{ field: 'name', yours: 'theirs', theirs: 'ours' }] },
        { id: b, result: 'refused', problem: { type: '', title: 'no', status: 422, code: 'x' } },
        { id: c, result: 'done', version: 1 },
      ];
    },
    async () => undefined,
  );
  expect(box.snapshot().map(({ state }) => state)).toEqual(['parked', 'refused']);
  expect(event?.change).toMatchObject({ device: box.deviceId(), seq: event?.seq });
  await box.forget(box.snapshot().map(({ order }) => order));
  expect(box.snapshot()).toEqual([]);
});
