/** @jest-environment jsdom */
const named = (content: string | null): void => {
  document.head.innerHTML = content ? `<meta name="shared" content="${content}" />` : '';
};
const scripts = (): HTMLScriptElement[] => [...document.head.querySelectorAll('script')];

/** A fresh module for each test: what was fetched once stays fetched. */
function fresh(): typeof import('../parts/phone/later') {
  jest.resetModules();
  return require('../parts/phone/later') as typeof import('../parts/phone/later');
}

test('where nothing is apart a part is asked for at once', async () => {
  named(null);
  await expect(fresh().later(async () => 'part')).resolves.toBe('part');
  expect(scripts()).toEqual([]);
});

test('what is shared comes first, and once for all parts', async () => {
  named('/shared.js');
  const { later } = fresh();
  const load = jest.fn(async () => 'part');
  const both = Promise.all([later(load), later(load)]);
  expect(scripts().map((script) => script.getAttribute('src'))).toEqual(['/shared.js']);
  expect(load).not.toHaveBeenCalled();
  scripts()[0]!.dispatchEvent(new Event('load'));
  await expect(both).resolves.toEqual(['part', 'part']);
  expect(scripts()).toHaveLength(1);
});

test('what did not come is said, and asked for again by the next part', async () => {
  named('/shared.js');
  const { later } = fresh();
  const lost = later(async () => 'part');
  scripts()[0]!.dispatchEvent(new Event('error'));
  await expect(lost).rejects.toThrow('/shared.js did not come.');
  expect(scripts()).toEqual([]);
  const again = later(async () => 'part');
  scripts()[0]!.dispatchEvent(new Event('load'));
  await expect(again).resolves.toBe('part');
});

test('a small part waits for signal instead of failing', async () => {
  named(null);
  const { whenItComes } = fresh();
  let signal = false;
  const load = jest.fn(async () => {
    if (!signal) throw new Error('no signal');
    return 'part';
  });
  const waiting = whenItComes(load);
  while (load.mock.calls.length === 0) await Promise.resolve();
  for (let i = 0; i < 10; i += 1) await Promise.resolve();
  signal = true;
  window.dispatchEvent(new Event('online'));
  await expect(waiting).resolves.toBe('part');
  expect(load).toHaveBeenCalledTimes(2);
});
