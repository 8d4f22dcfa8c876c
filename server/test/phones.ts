import { v7 as uuid } from 'uuid';
import { cookiesOf, DOCK, LEAD, SLAB, SPALL } from './harness';

const pause = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

interface Sent {
  readonly id: string;
  readonly target: string;
}

/** A phone that writes readings as its outbox does: the same commands again until the firm has answered for them, now and then twice and in any order. */
export class WritingPhone {
  readonly written: Sent[] = [];
  private readonly queue: (Sent & object)[] = [];
  private device = '';
  private seq = 0;
  cookie = '';
  answered = 0;

  constructor(
    /** servers on one database: a balancer sends each request to any of them */
    private readonly servers: readonly string[],
    private readonly chance: () => number,
  ) {}

  private get base(): string {
    return this.servers[Math.floor(this.chance() * this.servers.length)]!;
  }

  async signIn(): Promise<void> {
    for (;;) {
      const answer = await fetch(`${this.base}/session`, {
        method: 'POST',
        headers: { 'content-type': 'application/json' },
        body: JSON.stringify({ personId: LEAD, device: { id: uuid(), label: '' } }),
      }).catch(() => null);
      if (answer?.status === 201) {
        this.cookie = cookiesOf(answer.headers);
        ({ device: this.device } = (await answer.json()) as { device: string });
        return;
      }
      await pause(20);
    }
  }

  /** Readings, as many. */
  make(count: number): void {
    for (let i = 0; i < count; i += 1)
      this.write('reading.add', {
        jobId: DOCK,
        elementId: SLAB,
        findingId: null,
        kind: 'humidity',
        value: { value: 0.5, source: 'typed' },
        at: null,
        takenAt: '2026-05-12T13:00:00Z',
        subject: null,
      });
  }

  /** A plan, which pours name. @returns its id */
  makePlan(change: object): string {
    return this.write('plan.add', change);
  }

  /** Events of a pour by a plan, batch after batch, as a thumb taps them. */
  makeEvents(count: number, planId: string): void {
    const taps = ['start', 'used', 'placed', 'tested', 'finished'] as const;
    for (let i = 0; i < count; i += 1) {
      const kind = taps[i % taps.length]!;
      const payload = kind === 'used' ? { used: { water_m3: 0.0015 } } : kind === 'tested' ? { test: 'strip', passed: i % 2 === 0 } : {};
      this.write('pourEvent.add', {
        jobId: DOCK,
        findingId: SPALL,
        planId,
        batch: String(1 + Math.floor(i / taps.length)),
        device: this.device,
        seq: this.seq + 1,
        deviceAt: '2026-05-12T13:00:00Z',
        clockOffset: 0,
        person: LEAD,
        kind,
        v: 1,
        payload,
        undoes: null,
      });
    }
  }

  private write(kind: string, change: object): string {
    this.seq += 1;
    const sent = { id: uuid(), target: uuid() };
    this.written.push(sent);
    this.queue.push({ ...sent, v: 1, device: this.device, seq: this.seq, person: LEAD, madeAt: '2026-05-12T13:00:00Z', kind, base: null, change } as never);
    return sent.target;
  }

  /** Sends until nothing waits. @throws where a command is answered otherwise than done */
  async drain(keepBack: () => boolean): Promise<void> {
    while (this.queue.length > 0) {
      // Something is left to send for as long as there are faults to come.
      if (this.queue.length <= 3 && keepBack()) {
        await pause(10);
        continue;
      }
      const some = this.queue.slice(0, 1 + Math.floor(this.chance() * 8));
      const doubled = some.filter(() => this.chance() < 0.3);
      const all = [...some, ...doubled].sort(() => this.chance() - 0.5);
      const answer = await fetch(`${this.base}/commands`, {
        method: 'POST',
        headers: { 'content-type': 'application/json', cookie: this.cookie },
        body: JSON.stringify(all),
      }).catch(() => null);
      const said = answer?.ok ? ((await answer.json().catch(() => null)) as { results: { id: string; result: string }[] } | null) : null;
      if (!said) {
        await pause(20);
        continue;
      }
      const bad = said.results.find(({ result }) => result !== 'done');
      if (bad) throw new Error(JSON.stringify(bad));
      this.answered += all.length;
      const done = new Set(said.results.map(({ id }) => id));
      for (let i = this.queue.length - 1; i >= 0; i -= 1) if (done.has((this.queue[i] as Sent).id)) this.queue.splice(i, 1);
    }
  }

  /** Hears the firm's news, opening the ear again whenever it is closed, as the phone does. */
  listen(heard: () => void): () => void {
    const ended = new AbortController();
    const ear = async (): Promise<void> => {
      while (!ended.signal.aborted) {
        const answer = await fetch(`${this.base}/news`, { headers: { cookie: this.cookie }, signal: ended.signal }).catch(() => null);
        if (answer?.ok && answer.body)
          for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>)
            if (new TextDecoder().decode(chunk).includes('event: message')) heard();
        await pause(50);
      }
    };
    void ear().catch(() => undefined);
    return () => ended.abort();
  }
}
