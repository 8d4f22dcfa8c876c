import { goBack, isGoingBack, onceBack } from '../parts/chrome/goBack';

const settle = (): Promise<void> => new Promise((done) => setTimeout(done));

test('what is opened while the browser still goes back waits for it, in order; else it is opened at once', async () => {
  const did: string[] = [];
  onceBack(() => did.push('at once'));
  goBack({ back: () => did.push('back') });
  expect(isGoingBack()).toBe(true);
  onceBack(() => did.push('first'));
  onceBack(() => did.push('second'));
  await settle();
  expect(did).toEqual(['at once', 'back']);
  window.dispatchEvent(new Event('popstate'));
  await settle();
  expect(did).toEqual(['at once', 'back', 'first', 'second']);
  expect(isGoingBack()).toBe(false);
  onceBack(() => did.push('again'));
  expect(did.at(-1)).toBe('again');
});
