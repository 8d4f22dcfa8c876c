import 'fake-indexeddb/auto';
import type { Command, CommandResult } from '@tufa/contract/commands';
import type { FirmData } from '@tufa/contract/entities';
import { PLAIN, type Speaker } from '@tufa/words';
import { QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, configure, fireEvent, render, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { TextDecoder, TextEncoder } from 'node:util';
import type { ReactElement } from 'react';
import { outbox } from '../outbox/Outbox';
import { queryClient } from '../outbox/queryClient';
import { useFirmWith, type Firm } from '../outbox/useFirm';
import { phoneRows } from '../rows/PhoneRows';
import { memoryRows } from '../rows/RowStore';
import { SpeakerContext } from '../parts/phone/speaker';
import { firmWith, LEAD } from './demonstration';
import { plain } from './plain';
import { standAt, went } from './router';

export { demonstration, FIRM, firmWith, LEAD } from './demonstration';

/** The phone holds these rows and no others. */
async function holds(data: FirmData): Promise<void> {
  const rows = memoryRows();
  const place = { cursor: 1, whole: true, clockOffset: 0 };
  await rows.keep(Object.fromEntries(Object.entries(data).map(([name, table]) => [name, Object.values(table)])), place);
  await phoneRows.of(rows);
  for (const id of Object.keys(data.job)) await phoneRows.open(id);
  queryClient.setQueryData(['firm'], place);
}

/** Commands that were written since the test began, as they wait to be sent. */
export const written = (): { kind: string; target: string; change: Record<string, unknown> }[] =>
  outbox.snapshot().map(({ command: { kind, target, change } }) => ({ kind, target, change: change as Record<string, unknown> }));

/** What is on the page, with ordinary spaces. */
export const page = (): string => plain(document.body.textContent ?? '') ?? '';

// What every browser has.
Object.assign(globalThis, { TextEncoder, TextDecoder });
// What is hidden is not looked for: working it out takes most of a test's time.
configure({ defaultHidden: true });

beforeAll(async () => {
  Object.assign(globalThis, {
    structuredClone: globalThis.structuredClone ?? ((value: unknown) => JSON.parse(JSON.stringify(value))),
    // The phone of these tests has no signal.
    fetch: () => Promise.reject(new TypeError('no signal')),
    matchMedia: (media: string) => ({ matches: false, media, addEventListener: () => undefined, removeEventListener: () => undefined }),
    ResizeObserver: class {
      observe(): void {}
      unobserve(): void {}
      disconnect(): void {}
    },
  });
  Object.defineProperty(navigator, 'locks', { value: { request: async () => undefined }, configurable: true });
  Object.defineProperty(document, 'fonts', { value: { ready: Promise.resolve(), status: 'loaded' }, configurable: true });
  Object.assign(Element.prototype, { scrollIntoView: () => undefined, setPointerCapture: () => undefined });
  HTMLDialogElement.prototype.showModal = function showModal() {
    this.open = true;
  };
  HTMLDialogElement.prototype.close = function close() {
    this.open = false;
  };
  await outbox.open();
});

afterEach(async () => {
  cleanup();
  localStorage.clear();
  went.length = 0;
  await outbox.forget(outbox.snapshot().map(({ order }) => order));
  queryClient.clear();
});

/** Shows part of the application to somebody signed in, on a phone that holds the firm's rows. */
export async function show(
  part: ReactElement | null | ((firm: Firm) => ReactElement | null),
  { data = firmWith(), speaker = PLAIN, at = {} }: { data?: FirmData; speaker?: Speaker; at?: Readonly<Record<string, string>> } = {},
): Promise<ReturnType<typeof render>> {
  standAt(at);
  await act(() => holds(data));
  queryClient.setQueryData(['session'], LEAD);
  function Part(): ReactElement | null {
    const firm = useFirmWith(Object.keys(data.job)[0]);
    return typeof part === 'function' ? part(firm) : part;
  }
  return act(async () =>
    render(
      <QueryClientProvider client={queryClient}>
        <SpeakerContext.Provider value={speaker}>
          <Part />
        </SpeakerContext.Provider>
      </QueryClientProvider>,
    ),
  );
}

type Name = string | RegExp;
type Role = 'button' | 'textbox' | 'radio' | 'radiogroup' | 'checkbox';

const ELEMENTS: Readonly<Record<Role, string>> = {
  button: 'button, [role=button]',
  textbox: 'input, textarea',
  radio: '[role=radio]',
  radiogroup: '[role=radiogroup]',
  checkbox: '[role=checkbox]',
};
const nameOf = (element: Element): string => {
  const by = document.getElementById(element.getAttribute('aria-labelledby') ?? '') ?? (element as HTMLInputElement).labels?.[0] ?? element;
  return (element.getAttribute('aria-label') ?? by.textContent ?? '').trim();
};

/** A control by what it is called; the library's own search works out the style of every element for each answer. */
export function control(role: Role, name: Name, inside: ParentNode = document): HTMLElement {
  const all = [...inside.querySelectorAll<HTMLElement>(ELEMENTS[role])];
  const found = all.filter((element) => (typeof name === 'string' ? nameOf(element) === name : name.test(nameOf(element))));
  if (found.length !== 1) throw new Error(`${found.length} of role ${role} called ${name}, among: ${all.map(nameOf).join(' | ')}`);
  return found[0]!;
}

const user = userEvent.setup({ pointerEventsCheck: 0 });

let presses = 0;

/** Presses something. Nothing lies anywhere here: each press is at a place of its own, or it were the second of a double tap. */
export function press(target: Element): Promise<void> {
  const coords = { clientX: (presses += 1) * 100 };
  return user.pointer([
    { target, coords },
    { keys: '[MouseLeft]', target, coords },
  ]);
}

/** Types into a field in the place of what stood there, and leaves it. */
export async function typeIn(label: Name, text: string): Promise<HTMLElement> {
  const field = control('textbox', label);
  await act(async () => {
    fireEvent.focus(field);
    fireEvent.change(field, { target: { value: text } });
    fireEvent.blur(field);
  });
  return field;
}

/** Taps what is called so. */
export const tap = (name: Name, role: Role = 'button'): Promise<void> => press(control(role, name));

/** Taps one answer of a question. */
export const choose = (question: Name, answer: Name): Promise<void> => press(control('radio', answer, control('radiogroup', question)));

/** What waits reaches the firm, which answers each command so. */
export async function answered(answer: (command: Command) => CommandResult): Promise<void> {
  const { request } = navigator.locks;
  Object.assign(navigator.locks, { request: (_name: string, _options: object, work: (lock: object) => Promise<void>) => work({}) });
  await act(() =>
    outbox.drain(
      async (commands) => commands.map(answer),
      async () => undefined,
    ),
  );
  Object.assign(navigator.locks, { request });
}

/** The command written last, once there are so many. */
export async function lastOf(count: number): Promise<ReturnType<typeof written>[number]> {
  await waitFor(() => expect(written()).toHaveLength(count));
  return written()[count - 1]!;
}
