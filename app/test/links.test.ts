import { readdirSync, statSync } from 'node:fs';
import { join, relative, resolve } from 'node:path';
import { links, STEPS, WALKING } from '../links';

const ROUTES = resolve(__dirname, '../routes');
const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => (statSync(join(folder, name)).isDirectory() ? files(join(folder, name)) : [join(folder, name)]));

/** What each route file answers to. */
const routes = files(ROUTES)
  .map((path) => `/${relative(ROUTES, path).replace(/\.tsx$/, '')}`)
  .filter((path) => !path.endsWith('_layout'))
  .map((path) => new RegExp(`^${path.replace(/\/index$/, '').replace(/\[[^\]]+\]/g, '[^/]+') || '/'}$`));

const ID = '0198a000-de00-7000-8000-000000000001';

test.each([
  links.now(),
  links.jobs(),
  links.newJob(),
  links.editJob(ID),
  ...STEPS.map((step) => links.step(ID, step)),
  ...WALKING.map((doing) => links.walking(ID, doing, { element: ID, id: ID })),
  links.lookingAt(ID, ID),
  links.kit(ID),
  links.ticket(ID, '3'),
  links.load(),
  links.sum('bag'),
  links.systems(ID),
  links.shelf(),
  links.shelfFiles(),
  links.sheet(ID),
  links.newSheet(),
  links.newSheet({ from: ID, changes: true }),
  links.newSheet({ goes: true }),
  links.compare([ID, ID]),
  links.bench(),
  links.window(),
  links.window(ID),
  links.firm(),
])('%s has a screen', (href) => {
  const [path] = String(href).split('?');
  expect(routes.some((route) => route.test(path!))).toBe(true);
});

test('what is not asked is not in the address, and what is asked is written safely', () => {
  expect(links.newSheet()).toBe('/shelf/new');
  expect(links.walking('j', 'finding')).toBe('/jobs/j/walk?doing=finding');
  expect(links.walking('j', 'element', { element: 'a&b', id: 'c d' })).toBe('/jobs/j/walk?doing=element&element=a%26b&id=c+d');
});
