// Search over a hundred thousand batches: what the server takes for a question, with its way through HTTP.
import pg from 'pg';
import { percentile } from '../figures.mjs';
import { serveOn } from '../largeFirm.mjs';
import { SIGN_IN } from '../page.mjs';
import { uuid } from '../uuid.mjs';

const FIRM = '0198a000-f1f0-7000-8000-000000000001';
const BATCHES = 100_000;

const WORDS = {
  place: ['wall', 'slab', 'step', 'counter', 'soffit', 'kerb'],
  weather: ['frost', 'cold', 'mild', 'mild', 'hot'],
  product: ['rapid mortar', 'render', 'broom overlay', 'structural mortar', 'crack resin'],
  what: ['spall', 'crack', 'nosing', 'hollow rim', 'pits', 'cold joint'],
  street: ['mill lane', 'orchard road', 'quay', 'station square', 'chapel hill', 'weir bank'],
};

/** Batches of eight years and four hundred streets: some words are in all of them, some in one of a hundred. */
async function fill(ownerUrl) {
  const client = new pg.Client({ connectionString: ownerUrl });
  await client.connect();
  const one = (words, by) => `(array[${words.map((word) => `'${word}'`).join(',')}])[1 + (g / ${by}) % ${words.length}]`;
  await client.query('begin');
  await client.query(`select set_config('tufa.firm', $1, true)`, [FIRM]);
  await client.query(`insert into search_entry (firm_id, kind, id, job_id, title, said, at, year, place, product, weather, lost, called_back, mixed_kg, area_m2, cost_minor, words)
    select '${FIRM}', 'batch', gen_random_uuid(), (select id from job limit 1), title, said, at, extract(year from at), place, product, weather, g % 40 = 0, g % 90 = 0, 22, 0.4, 2600,
      setweight(to_tsvector('tufa', title), 'A') || to_tsvector('tufa', said)
    from (select g, 'Batch ' || (1 + g % 12) || ', ' || ${one(WORDS.product, 3)} as title, ${one(WORDS.place, 1)} as place, ${one(WORDS.product, 3)} as product,
        ${one(WORDS.weather, 7)} as weather, now() - g * interval '40 minutes' as at,
        concat_ws(', ', ${one(WORDS.what, 5)}, ${one(WORDS.place, 1)}, ${one(WORDS.weather, 7)}, 'house ' || (g % 400), ${one(WORDS.street, 11)}, 'finished') as said
      from generate_series(1, ${BATCHES}) g) as made`);
  await client.query(
    `insert into search_word select distinct '${FIRM}'::uuid, word from search_entry, unnest(tsvector_to_array(words)) as word where length(word) between 2 and 40 on conflict do nothing`,
  );
  await client.query('commit');
  await client.query('vacuum analyze');
  await client.end();
}

const ASKED = [
  'wall frost',
  'a wall like this in frost',
  'crack',
  'batch',
  'rendr wlal',
  'chapel hill cold joint',
  'house 217',
  'overlay hot quay',
  'struct',
  'lane',
  'qqqzz',
  '',
];

export default async function search({ cluster, server, figure }) {
  const served = await serveOn({ cluster, name: 'bench_search', server });
  try {
    const session = await fetch(`${served.base}/api/v1/session`, {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: JSON.stringify({ ...SIGN_IN.data, device: { id: uuid(), label: 'bench' } }),
    });
    const cookie = session.headers
      .getSetCookie()
      .map((each) => each.split(';')[0])
      .join('; ');
    const ask = (path) => fetch(`${served.base}/api/v1${path}`, { headers: { cookie } }).then((answer) => answer.json());
    // The demonstration's own words first.
    await ask('/search?q=wall');
    await fill(served.ownerUrl);
    const times = [];
    for (let i = 0; i < 240; i += 1) {
      const q = ASKED[i % ASKED.length];
      const narrowed = i % 5 === 0 ? '&weather=frost' : '';
      const begun = performance.now();
      await ask(`/search?q=${encodeURIComponent(q)}${narrowed}`);
      if (i >= ASKED.length) times.push(performance.now() - begun);
    }
    figure('search over 100,000 batches, p50 ms', percentile(times, 0.5));
    figure('search over 100,000 batches, p95 ms', percentile(times, 0.95), { most: 100 });
    const begun = performance.now();
    await ask('/trends');
    figure('what those have cost, ms', performance.now() - begun);
  } finally {
    await served.stop();
  }
}
