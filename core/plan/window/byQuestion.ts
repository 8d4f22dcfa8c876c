import type { WindowQuestion } from './WindowQuestion';

/** So many questions are remembered, whatever sheets they are of: more than the layers of a large job ask, of each share of the grid; a whole shelf is not kept. */
const MOST = 1000;

let count = 0;
const numbers = new WeakMap<object, number>();

/** A number for what is the same only as itself: a sheet, a day's drift, a crew's record. */
function numberOf(thing: object | undefined): number {
  if (!thing) return 0;
  let number = numbers.get(thing);
  if (number === undefined) numbers.set(thing, (number = count += 1));
  return number;
}

/** What is asked of any share of a bag. */
type Asked = Omit<WindowQuestion, 'share' | 'follows'>;

const wordOf = ({ sheet, record, airDrift, slabDrift, ...plain }: Asked): string =>
  `${numberOf(sheet)} ${numberOf(record)} ${numberOf(airDrift)} ${numberOf(slabDrift)} ${JSON.stringify(plain)}`;

const words = new WeakMap<WindowQuestion, string>();

/** The questions of one layer, share by share: what they have in common is put into words once. */
export function asking({ share: _share, follows: _follows, ...asked }: WindowQuestion): (share: number, follows?: boolean) => WindowQuestion {
  const word = wordOf(asked);
  return (share, follows = false) => {
    const question = { ...asked, share, ...(follows ? { follows } : {}) };
    words.set(question, word);
    return question;
  };
}

function keyOf(question: WindowQuestion): string {
  const { share, follows = false, ...asked } = question;
  return `${share} ${follows} ${words.get(question) ?? wordOf(asked)}`;
}

/**
 * What is worked out of a question, once for all layers that ask the same of a sheet: thirty patches of one depth have one
 * window.
 *
 * @param work whose answer hangs on its question alone
 */
export function byQuestion<T>(work: (question: WindowQuestion) => T): (question: WindowQuestion) => T {
  const known = new Map<string, T>();
  return (question) => {
    const key = keyOf(question);
    const before = known.get(key);
    if (before !== undefined) return before;
    const answer = work(question);
    if (known.size >= MOST) known.clear();
    known.set(key, answer);
    return answer;
  };
}
