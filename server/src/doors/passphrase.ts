import { hash, verify } from '@node-rs/argon2';
import { HttpProblem } from '../http/HttpProblem';

/** Argon2id: 19 MiB, twice over, one lane; 40 ms of a small server. */
const COST = { memoryCost: 19_456, timeCost: 2, parallelism: 1 } as const;

/** Guesses that a passphrase must cost, as a power of ten: what a machine would need years for at our own doors, and days with a stolen table. */
const LEAST_GUESSES = 9;

type Strength = (passphrase: string, mine: string[]) => number;

/** Its tables of common words are a megabyte: read when somebody first chooses a passphrase. */
let strength: Promise<Strength> | undefined;
async function readStrength(): Promise<Strength> {
  const [{ ZxcvbnFactory }, { dictionary, adjacencyGraphs }] = await Promise.all([import('@zxcvbn-ts/core'), import('@zxcvbn-ts/language-common')]);
  const judge = new ZxcvbnFactory({ dictionary, graphs: adjacencyGraphs });
  return (passphrase, mine) => judge.check(passphrase.slice(0, 128), mine).guessesLog10;
}

/** @param mine words that a guesser would try first: the person's and the firm's. @throws HttpProblem 422 `weakPassphrase` */
export async function refuseWeak(passphrase: string, mine: string[]): Promise<void> {
  const guesses = await (strength ??= readStrength());
  if (guesses(passphrase, mine) < LEAST_GUESSES) throw new HttpProblem({ status: 422, code: 'weakPassphrase', field: 'passphrase' });
}

/** What is kept of a passphrase. What is typed with marks over letters is one text however it was composed. */
export const hashPassphrase = (passphrase: string): Promise<string> => hash(passphrase.normalize('NFKC'), COST);

export const matches = (kept: string, passphrase: string): Promise<boolean> => verify(kept, passphrase.normalize('NFKC')).catch(() => false);

let nobodys: Promise<string> | undefined;

/** Takes as long as a comparison with somebody's: whether anybody is called so is not told by how long it took. */
export const compareWithNobody = async (passphrase: string): Promise<false> => {
  await matches(await (nobodys ??= hashPassphrase('nobody has this one')), passphrase);
  return false;
};
