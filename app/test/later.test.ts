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

/** The bundler's own loader, which has fetched these parts. */
const world = globalThis as unknown as { __loadBundleAsync?: (part: string) => Promise<void> };
const fetched: string[] = [];
beforeEach(() => {
  fetched.length = 0;
  world.__loadBundleAsync = async (part) => void fetched.push(part);
});

const SHARED = '{&quot;/a.js&quot;:[&quot;/shared.js&quot;],&quot;/b.js&quot;:[&quot;/shared.js&quot;]}';

test('where nothing is apart a part is asked for alone', async () => {
  named(null);
  fresh().shareParts();
  await world.__loadBundleAsync!('/a.js');
  expect([fetched, scripts()]).toEqual([['/a.js'], []]);
});

test('what parts share is read before the first of them, and once; the part itself is on its way meanwhile', async () => {
  named(SHARED);
  fresh().shareParts();
  const both = Promise.all([world.__loadBundleAsync!('/a.js'), world.__loadBundleAsync!('/b.js')]);
  const soon = [...document.head.querySelectorAll<HTMLLinkElement>('link[rel=preload]')].map((link) => link.getAttribute('href'));
  expect([fetched, soon]).toEqual([[], ['/a.js', '/b.js']]);
  expect(scripts().map((script) => script.getAttribute('src'))).toEqual(['/shared.js']);
  scripts()[0]!.dispatchEvent(new Event('load'));
  await both;
  expect(fetched.sort()).toEqual(['/a.js', '/b.js']);
  expect(scripts()).toHaveLength(1);
});

test('what did not come is said, and asked for again by the next part', async () => {
  named(SHARED);
  fresh().shareParts();
  const lost = world.__loadBundleAsync!('/a.js');
  scripts()[0]!.dispatchEvent(new Event('error'));
  await expect(lost).rejects.toThrow('/shared.js did not come.');
  expect(fetched).toEqual([]);
  expect(scripts()).toEqual([]);
  const again = world.__loadBundleAsync!('/b.js');
  scripts()[0]!.dispatchEvent(new Event('load'));
  await again;
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
