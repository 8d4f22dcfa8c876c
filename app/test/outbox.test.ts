import 'fake-indexeddb/auto';
import type { Command, CommandResult } from '@tufa/contract/commands';
import { api } from '../outbox/api';
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

test('what is written shows as soon as it has its place and is told as saved once the disk has it; what the disk refuses is taken back, and what it replaced stays', async () => {
  const box = new Outbox();
  await box.open();
  const seen: string[][] = [];
  box.subscribe(() => seen.push(box.snapshot().map(({ state }) => state)));
  await box.write(PERSON, [rename('kept')], new Date(0));
  expect(seen).toEqual([['keeping'], ['waiting']]);
  const [kept] = box.snapshot();
  seen.length = 0;
  const full = jest.spyOn(IDBTransaction.prototype, 'commit').mockImplementation(function (this: IDBTransaction) {
    this.objectStore('outbox').getAll().onsuccess = () => this.abort();
  });
  await expect(box.write(PERSON, [rename('lost')], new Date(0), [kept!.order])).rejects.toThrow();
  full.mockRestore();
  expect(seen.some((states) => states.includes('keeping'))).toBe(true);
  expect(box.snapshot()).toEqual([kept]);
  await box.forget([kept!.order]);
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

describe('what stands between this phone and the firm', () => {
  const open = async (): Promise<Outbox> => {
    const box = new Outbox();
    await box.open();
    await box.forget(box.snapshot().map(({ order }) => order));
    return box;
  };
  const states = (box: Outbox) => box.snapshot().map(({ state }) => state);
  const pull = async (): Promise<void> => undefined;
  /** What the network answers to each request, by the commands in it. */
  const answering = (answer: (commands: readonly Command[]) => { status: number; body: unknown; text?: true }): number[][] => {
    const asked: number[][] = [];
    Object.assign(globalThis, {
      fetch: async (_url: string, { body }: { body: string }) => {
        const commands = JSON.parse(body) as Command[];
        asked.push([commands.length, Buffer.byteLength(body)]);
        const { status, body: said, text } = answer(commands);
        return {
          ok: status < 300,
          status,
          statusText: 'x',
          json: async () => (text ? Promise.reject(new SyntaxError('<html>')) : said),
        };
      },
    });
    return asked;
  };
  beforeAll(() => void Object.assign(AbortSignal, { timeout: AbortSignal.timeout ?? (() => new AbortController().signal) }));
  const problem = (status: number, code = 'tooLarge') => ({ status, body: { type: `urn:tufa:problem:${code}`, title: 'Too large.', status, code } });
  const taken = (commands: readonly Command[]) => ({ status: 200, body: { results: done(commands) } });

  test('seventy plans made without signal leave in order, no request over a megabyte', async () => {
    const box = await open();
    for (let i = 0; i < 70; i += 1) await box.write(PERSON, [rename(`${i} ${'x'.repeat(59_000)}`)], new Date(0));
    const order: string[] = [];
    const asked = answering((commands) => {
      order.push(...commands.map(({ change }) => (change as { name: string }).name.split(' ')[0]!));
      return taken(commands);
    });
    await box.drain(api.send, pull);
    expect(box.snapshot()).toEqual([]);
    expect(order).toEqual([...Array(70).keys()].map(String));
    for (const [, bytes] of asked) expect(bytes).toBeLessThan(1_100_000);
    expect(asked.length).toBeLessThan(8);
  });

  test('what alone is larger than a request goes alone', async () => {
    const box = await open();
    await box.write(PERSON, [rename('a'), rename('x'.repeat(2_000_000)), rename('b')], new Date(0));
    const asked = answering(taken);
    await box.drain(api.send, pull);
    expect(asked.map(([count]) => count)).toEqual([1, 1, 1]);
  });

  test.each([400, 413, 422])(
    'a batch refused whole with %i is halved until the one is found: that one is kept with its reason, the rest are with the firm',
    async (status) => {
      const box = await open();
      await box.write(
        PERSON,
        [...'abcdefg'].map((name) => rename(name)),
        new Date(0),
      );
      answering((commands) => (commands.some(({ change }) => (change as { name: string }).name === 'e') ? problem(status) : taken(commands)));
      await box.drain(api.send, pull);
      expect(box.snapshot().map(({ state, result, command }) => [state, (command.change as { name: string }).name, result])).toEqual([
        ['refused', 'e', { id: expect.any(String), result: 'refused', problem: expect.objectContaining({ title: 'Too large.', status }) }],
      ]);
    },
  );

  test.each([
    ['asked too often', problem(429, 'tooOften')],
    ['a fault of the server', problem(500, 'ourFault')],
    ['its database away', problem(503, 'databaseAway')],
    ['nobody signed in', problem(401, 'signInFirst')],
    ['a page of what stands between', { status: 502, body: null, text: true as const }],
    ['a proxy that finds it too large', { status: 413, body: null, text: true as const }],
    ['a network that signs people in', { status: 200, body: null, text: true as const }],
    ['another program’s answer', { status: 200, body: { ok: true } }],
    ['results of other commands', { status: 200, body: { results: [{ id: 'x', result: 'done', version: 1 }] } }],
  ])('%s parks nothing: it all waits, and goes when the firm answers', async (_, answer) => {
    const box = await open();
    await box.write(PERSON, [rename('one'), rename('two')], new Date(0));
    answering(() => answer);
    await expect(box.drain(api.send, pull)).rejects.toThrow();
    expect(states(box)).toEqual(['waiting', 'waiting']);
    answering(taken);
    await box.drain(api.send, pull);
    expect(states(box)).toEqual([]);
  });

  test('mine takes the place of what came back in one breath: there is never a moment in which it is nowhere', async () => {
    const box = await open();
    await box.write(PERSON, [rename('mine')], new Date(0));
    answering((commands) => ({ status: 200, body: { results: commands.map(({ id }) => ({ id, result: 'conflict', version: 2, conflicts: [] })) } }));
    await box.drain(api.send, pull);
    const seen: number[] = [];
    box.subscribe(() => seen.push(box.snapshot().filter(({ command }) => (command.change as { name: string }).name === 'mine').length));
    await box.write(PERSON, [rename('mine')], new Date(0), [box.snapshot()[0]!.order]);
    expect(states(box)).toEqual(['waiting']);
    expect(new Set(seen)).toEqual(new Set([1]));
  });

  test('a character that no database keeps is left out of what was pasted', async () => {
    const box = await open();
    await box.write(PERSON, [{ ...rename('yard\u0000 slab\ud800'), base: { name: 'a\u0000' } }], new Date(0));
    expect(box.snapshot()[0]!.command).toMatchObject({ change: { name: 'yard slab' }, base: { name: 'a' } });
  });
});

test('what waits is sent under the id by which the firm knows this phone, whatever it was written under', async () => {
  const box = new Outbox();
  await box.open();
  const before = box.deviceId();
  await box.write(PERSON, [rename('before'), { kind: 'pourEvent.add', target: JOB, base: null, change: { kind: 'start' } }], new Date(0));
  const known = '0198a000-0f01-7000-8000-0000000000aa';
  await box.adopt(known);
  const sent: Command[] = [];
  await box.drain(
    async (commands) => {
      sent.push(...commands);
      return done(commands);
    },
    async () => undefined,
  );
  expect(new Set(sent.map(({ device }) => device))).toEqual(new Set([known]));
  const event = sent.at(-1)!;
  expect(event.change).toMatchObject({ device: known, seq: event.seq });
  const next = new Outbox();
  await next.open();
  expect([next.deviceId(), before === known]).toEqual([known, false]);
});

test('what was refused can be offered once more', async () => {
  const box = new Outbox();
  await box.open();
  await box.write(PERSON, [rename('late')], new Date(0));
  const problem = { type: 'urn:tufa:problem:notSignedInHere', title: '', status: 403, code: 'notSignedInHere' };
  await box.drain(
    async ([command]) => [{ id: command!.id, result: 'refused', problem }],
    async () => undefined,
  );
  const [record] = box.snapshot();
  expect(record).toMatchObject({ state: 'refused' });
  await box.again(record!.order);
  expect(box.snapshot()).toMatchObject([{ state: 'waiting' }]);
  await box.drain(
    async (commands) => done(commands),
    async () => undefined,
  );
  expect(box.snapshot()).toEqual([]);
});
