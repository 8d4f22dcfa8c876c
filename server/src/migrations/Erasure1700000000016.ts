import type { MigrationInterface, QueryRunner } from 'typeorm';

const DEFINED = 'language plpgsql security definer set search_path = public, pg_temp';

/** Only in the transaction that has written into the log that something is erased; that line is never taken out. */
const ONLY_ERASING = `if not exists (select 1 from command c join firm f on f.id = c.firm_id where c.kind like '%.erase' and c.changed = f.change_counter and c.xmin = pg_current_xact_id()::xid) then
        raise exception 'nothing is being erased';
      end if;`;

const FUNCTIONS: readonly (readonly [signature: string, returns: string, body: string])[] = [
  [
    'erase_words(of_table text, of_id uuid, words jsonb, number bigint)',
    'void',
    `if of_table not in ('command', 'reading', 'plan', 'pour_event') then raise exception '% is no log', of_table; end if;
      execute format('update %I set %s%s where id = $1', of_table,
        (select string_agg(format('%I = nullif($2 -> %L, ''null''::jsonb)', key, key), ', ') from jsonb_object_keys(words) as key),
        case when number is null then '' else ', version = version + 1, changed = $3' end) using of_id, words, number;`,
  ],
  [
    'erase_log(targets uuid[])',
    'void',
    `update command set base = null, change = '{}', result = result - 'conflicts' - 'problem' where target = any(targets) and kind not like '%.erase';`,
  ],
  [
    'erase_files(pictures uuid[], letters uuid[])',
    'integer',
    `delete from photograph_file where photograph_id = any(pictures);
      get diagnostics count = row_count;
      delete from letter_file where letter_id = any(letters);
      get diagnostics more = row_count;
      return count + more;`,
  ],
];

/**
 * Logs, plans and files are only ever added to. Where somebody is erased on their request the owner's functions take
 * words out of them: within the firm that is set, and only beside the line that says so.
 */
export class Erasure1700000000016 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const [signature, returns, body] of FUNCTIONS) {
      const declared = returns === 'integer' ? 'declare count integer; more integer;' : '';
      await runner.query(`create function ${signature} returns ${returns} ${DEFINED} as $body$ ${declared} begin ${ONLY_ERASING} ${body} end $body$`);
      await runner.query(`revoke all on function ${signature} from public`);
      await runner.query(`grant execute on function ${signature} to tufa_app`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop function erase_words, erase_log, erase_files');
  }
}
