import { FACETS, type Facet, type FindAsked, type FoundEntry, type FoundPage, type Trend } from '@tufa/contract/found';
import type { Spoken } from '@tufa/contract/languages';
import type { EntityManager } from 'typeorm';

/** So many of the newest that match are counted, and so many are shown. */
const COUNTED = 1000;
const SHOWN = 50;
/** A word that is nowhere is taken for so many that are nearly it. */
const ALIKE = 3;
/** Of a facet the values that are most often found. */
const VALUES = 12;

/** A word of the question with what it may stand for. */
interface Sought {
  readonly word: string;
  readonly among: readonly string[];
}

/** The words of a question, endings cut, each with itself where it is found, else with those that are nearly it. */
async function soughtIn(tx: EntityManager, q: string): Promise<Sought[]> {
  const words = await tx.query<{ word: string; known: boolean }[]>(
    `select distinct on (word) word, exists (select 1 from search_word w where starts_with(w.word, t.word)) as known
      from unnest(tsvector_to_array(to_tsvector('tufa', $1))) as t(word)`,
    [q],
  );
  const sought: Sought[] = [];
  for (const { word, known } of words) {
    const alike = known ? [] : await tx.query<{ word: string }[]>('select word from search_alike(left($1, 40), $2) as word', [word, ALIKE]);
    sought.push({ word, among: known ? [word] : alike.map((row) => row.word) });
  }
  return sought;
}

/** As the database reads a question: a word that is begun is found too. */
const queryOf = (sought: readonly Sought[], by: '&' | '|'): string | null => {
  const groups = sought.flatMap(({ among }) => (among.length > 0 ? [`(${among.map((word) => `'${word.replace(/['\\]/g, '\\$&')}':*`).join(' | ')})`] : []));
  return groups.length > 0 ? groups.join(` ${by} `) : null;
};

const matched = async (tx: EntityManager, query: string | null, language: Spoken, { kind, place, product, weather, year, lost }: FindAsked) => {
  const narrowed = [query, kind ?? null, place ?? null, product ?? null, weather ?? null, year ?? null, lost ?? null, COUNTED + 1, language];
  const [row] = await tx.query<{ entries: FoundEntry[]; count: number; facets: Record<Facet, Record<string, number>> }[]>(
    `with found as materialized (select * from search_found($1::tsquery, $2, $3, $4, $5, $6, $7, $8)),
      best as (select kind, id, job_id, coalesce(spoken -> $9 ->> 'title', title) as title, coalesce(spoken -> $9 ->> 'said', said) as said, at from found
        order by case when $1 is null then 0 else ts_rank_cd(words, $1::tsquery) end desc, at desc nulls last, id limit ${SHOWN})
      select (select count(*)::int from found) as count,
        (select coalesce(json_agg(json_build_object('kind', kind, 'id', id, 'jobId', job_id, 'title', title, 'said', said, 'at', at)), '[]') from best) as entries,
        json_build_object(${FACETS.map((facet) => `'${facet}', (select coalesce(json_object_agg(value, n), '{}') from (select ${facet}::text as value, count(*)::int as n from found where ${facet} is not null group by 1) as each)`).join(', ')}) as facets`,
    narrowed,
  );
  return row!;
};

type Values = FoundPage['facets'][Facet];

const byFacet = (valuesOf: (facet: Facet) => Values): Record<Facet, Values> => ({
  kind: valuesOf('kind'),
  place: valuesOf('place'),
  product: valuesOf('product'),
  weather: valuesOf('weather'),
  year: valuesOf('year'),
  lost: valuesOf('lost'),
});

/**
 * What of the firm has these words, the best first, told in a language, with what it may be narrowed by. Where nothing has all of them, what
 * has some.
 */
export async function find(tx: EntityManager, language: Spoken, asked: FindAsked): Promise<Omit<FoundPage, 'waiting'>> {
  const sought = await soughtIn(tx, asked.q);
  const corrected = Object.fromEntries(sought.flatMap(({ word, among }) => (among.length === 1 && among[0] === word ? [] : [[word, among]])));
  const all = queryOf(sought, '&');
  // Words that say nothing, or that nothing is like: not everything there is.
  if (asked.q !== '' && all === null) return { entries: [], facets: byFacet(() => []), count: 0, more: false, corrected, some: false };
  const whole = await matched(tx, all, language, asked);
  const some = whole.count === 0 && sought.length > 1;
  const { entries, count, facets } = some ? await matched(tx, queryOf(sought, '|'), language, asked) : whole;
  const listed = (facet: Facet) =>
    Object.entries(facets[facet])
      .map(([value, times]) => ({ value, count: times }))
      .sort((a, b) => b.count - a.count || (a.value < b.value ? -1 : 1))
      .slice(0, VALUES);
  return {
    entries: entries.map((entry) => ({ ...entry, at: entry.at && new Date(entry.at).toISOString() })),
    facets: byFacet(listed),
    count: Math.min(count, COUNTED),
    more: count > COUNTED,
    corrected,
    some: some && count > 0,
  };
}

/** What each product has cost, lost and had to do again, in each kind of weather. */
export async function trends(tx: EntityManager): Promise<Trend[]> {
  const rows = await tx.query<Record<keyof Trend, string | null>[]>(
    `select product, weather, count(*) filter (where kind = 'batch') as batches, count(*) filter (where lost) as lost,
        count(*) filter (where called_back) as "calledBack", coalesce(sum(mixed_kg) filter (where lost) / nullif(sum(mixed_kg), 0), 0) as waste,
        coalesce(sum(area_m2) filter (where not lost), 0) as area_m2, sum(cost_minor) / nullif(sum(area_m2) filter (where not lost), 0) as cost_minor_m2
      from search_entry where kind in ('batch', 'finding') and product is not null and weather is not null
      group by product, weather having count(*) filter (where kind = 'batch') > 0 order by product, weather`,
  );
  return rows.map(({ product, weather, cost_minor_m2, ...counted }) => ({
    product: product!,
    weather: weather as Trend['weather'],
    batches: Number(counted.batches),
    lost: Number(counted.lost),
    calledBack: Number(counted.calledBack),
    waste: Number(counted.waste),
    area_m2: Number(counted.area_m2),
    cost_minor_m2: cost_minor_m2 === null ? null : Number(cost_minor_m2),
  }));
}
