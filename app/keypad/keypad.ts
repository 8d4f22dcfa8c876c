import { serve, served } from './target';

let pressed = false;
let leaving: HTMLInputElement | null = null;
let late: ReturnType<typeof setTimeout> | undefined;

const settle = (): void => {
  pressed = false;
  clearTimeout(late);
  const left = leaving;
  leaving = null;
  // A field that has the focus again, as after a fault on saving, keeps its keys.
  if (left && document.activeElement !== left) leave(left);
};

if (typeof document !== 'undefined') {
  document.addEventListener('pointerdown', () => (pressed = true), true);
  document.addEventListener('pointercancel', settle, true);
  // After the button's own handlers, so that the press has been taken.
  window.addEventListener('click', () => setTimeout(settle));
}

/**
 * Stops serving a field that lost the focus, unless another has been served since. A field left by a press keeps its
 * keys until that press is over: were they to go at once, the button would move away from under the finger.
 */
export function leave(input: HTMLInputElement): void {
  if (served()?.input !== input) return;
  if (!pressed) return serve(null);
  leaving = input;
  clearTimeout(late);
  // A press that became a scroll never ends in a click.
  late = setTimeout(settle, 600);
}

/** The next or former field of the screen, in the order it is read. */
export function moveFrom(input: HTMLInputElement, by: 1 | -1): void {
  const fields = [...document.querySelectorAll<HTMLInputElement>('input, textarea')].filter(({ disabled, offsetParent }) => !disabled && offsetParent !== null);
  const next = fields[fields.indexOf(input) + by];
  if (next) next.focus();
  else input.blur();
}

/** On a wide screen with a mouse the hardware keyboard is enough. */
export const opensKeypad = (): boolean => window.innerWidth < 1024 || window.matchMedia('(pointer: coarse)').matches;

/** What is pressed here leaves the focus in the field. */
export const keepsFocus = { onMouseDown: (event: Event) => event.preventDefault() } as object;
