import { QueryClientProvider, useQuery } from '@tanstack/react-query';
import { act, render } from '@testing-library/react';
import { queryClient } from '../outbox/queryClient';
import { useSync } from '../outbox/useFirm';
import './shown';

/** A stream as the browser opens it; what comes is told by the test. */
class Stream extends EventTarget {
  static readonly CLOSED = 2;
  static opened: Stream[] = [];
  readyState = 1;
  onopen: (() => void) | null = null;
  onmessage: (() => void) | null = null;
  constructor() {
    super();
    Stream.opened.push(this);
  }
  close(): void {
    this.readyState = Stream.CLOSED;
  }
}

let looks = 0;

function Phone(): null {
  useSync(true);
  useQuery({ queryKey: ['firm'], queryFn: async () => ({ look: (looks += 1) }), staleTime: Infinity });
  return null;
}

const pass = (ms: number): Promise<void> => act(() => jest.advanceTimersByTimeAsync(ms));
const open = async (): Promise<ReturnType<typeof render>> => {
  const phone = render(
    <QueryClientProvider client={queryClient}>
      <Phone />
    </QueryClientProvider>,
  );
  await pass(100);
  looks = 0;
  return phone;
};

beforeEach(() => {
  Stream.opened = [];
  Object.assign(globalThis, { EventSource: Stream });
  jest.useFakeTimers();
});
afterEach(() => void jest.useRealTimers());

test('a phone looks once when its ear opens and at each news, and not at a beat', async () => {
  const { unmount } = await open();
  const [stream] = Stream.opened as [Stream];
  stream.onopen?.();
  await pass(100);
  expect(looks).toBe(1);
  stream.onmessage?.();
  await pass(100);
  expect(looks).toBe(2);
  for (let i = 0; i < 6; i += 1) {
    await pass(20_000);
    stream.dispatchEvent(new Event('beat'));
  }
  expect([looks, Stream.opened.length]).toEqual([2, 1]);
  unmount();
});

test('a stream that has gone silent is opened anew, and meanwhile the phone looks by itself once a minute', async () => {
  const { unmount } = await open();
  await pass(5 * 60_000);
  expect(Stream.opened.length).toBeGreaterThan(4);
  expect(looks).toBeGreaterThanOrEqual(4);
  expect(looks).toBeLessThanOrEqual(5);
  unmount();
});

test('a stream that the firm has closed is opened again within seconds; a page that is gone listens no more', async () => {
  const { unmount } = await open();
  Stream.opened[0]!.close();
  await pass(11_000);
  expect(Stream.opened).toHaveLength(2);
  unmount();
  expect(Stream.opened[1]!.readyState).toBe(Stream.CLOSED);
  await pass(120_000);
  expect(Stream.opened).toHaveLength(2);
});
