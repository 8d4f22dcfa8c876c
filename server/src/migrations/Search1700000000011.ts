import type { MigrationInterface, QueryRunner } from 'typeorm';

const OF_FIRM = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;

/**
 * What is searched: an entry a job, finding, batch, note and product, its words with accents taken off and endings cut,
 * and every word by itself so that a slip finds its neighbours. Row security keeps an index of words from being used, so
 * the two functions that look are the owner's, whom the security of these tables does not bind, and hold the firm themselves.
 */
export class Search1700000000011 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const extension of ['unaccent', 'pg_trgm', 'btree_gin', 'fuzzystrmatch']) await runner.query(`create extension if not exists ${extension}`);
    await runner.query('create text search configuration tufa (copy = english)');
    await runner.query('alter text search configuration tufa alter mapping for hword, hword_part, word with unaccent, english_stem');
    await runner.query('alter text search configuration tufa alter mapping for asciihword, asciiword, hword_asciipart with english_stem');
    await runner.query(`create table search_entry (
      firm_id uuid not null references firm (id), kind text not null, id uuid not null, job_id uuid references job (id), title text not null, said text not null,
      at timestamptz, year integer, place text, product text, weather text, lost boolean, called_back boolean, mixed_kg double precision,
      area_m2 double precision, cost_minor double precision, words tsvector not null, primary key (firm_id, kind, id))`);
    await runner.query('create index search_words on search_entry using gin (firm_id, words)');
    await runner.query('create index search_newest on search_entry (firm_id, at desc nulls last)');
    await runner.query('create index search_job on search_entry (job_id)');
    await runner.query('create table search_word (firm_id uuid not null references firm (id), word text not null, primary key (firm_id, word))');
    await runner.query('create index search_alike on search_word using gin (firm_id, word gin_trgm_ops)');
    await runner.query('create table search_upto (firm_id uuid primary key references firm (id), changed bigint not null)');
    await runner.query(
      'create table search_waiting (firm_id uuid not null references firm (id), job_id uuid not null references job (id), primary key (firm_id, job_id))',
    );
    for (const table of ['search_entry', 'search_word', 'search_upto', 'search_waiting']) {
      await runner.query(`alter table ${table} enable row level security`);
      await runner.query(`create policy own_firm on ${table} using (${OF_FIRM}) with check (${OF_FIRM})`);
      await runner.query(`grant select, insert, update, delete on ${table} to tufa_app`);
    }
    await runner.query(`create function search_found(asked tsquery, of_kind text, of_place text, of_product text, of_weather text, of_year integer, of_lost boolean, most integer)
      returns setof search_entry language plpgsql stable security definer set search_path = public, pg_temp as $body$
      begin
        return query execute 'select * from search_entry where ${OF_FIRM.replaceAll("'", "''")}
          and ($1 is null or words @@ $1) and ($2 is null or kind = $2) and ($3 is null or place = $3) and ($4 is null or product = $4)
          and ($5 is null or weather = $5) and ($6 is null or year = $6) and ($7 is null or lost = $7)
          order by at desc nulls last limit $8' using asked, of_kind, of_place, of_product, of_weather, of_year, of_lost, most;
      end $body$`);
    await runner.query(`create function search_alike(sought text, most integer) returns setof text
      language plpgsql stable security definer set search_path = public, pg_temp set pg_trgm.similarity_threshold = 0.4 as $body$
      begin
        return query execute 'select word from search_word where ${OF_FIRM.replaceAll("'", "''")}
          and (word % $1 or (left(word, 1) = left($1, 1) and abs(length(word) - length($1)) <= 1))
          and levenshtein_less_equal(word, $1, 3) <= case when length($1) < 4 then 1 when length($1) < 8 then 2 else 3 end
          order by levenshtein(word, $1), word <-> $1, word limit $2' using sought, most;
      end $body$`);
    for (const name of ['search_found(tsquery, text, text, text, text, integer, boolean, integer)', 'search_alike(text, integer)']) {
      await runner.query(`revoke all on function ${name} from public`);
      await runner.query(`grant execute on function ${name} to tufa_app`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop function search_alike, search_found');
    for (const table of ['search_waiting', 'search_upto', 'search_word', 'search_entry']) await runner.query(`drop table ${table}`);
    await runner.query('drop text search configuration tufa');
  }
}
