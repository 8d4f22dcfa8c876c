import type { MigrationInterface, QueryRunner } from 'typeorm';

interface Reference {
  readonly table: string;
  readonly name: string;
  readonly column: string;
  readonly to: string;
}

/**
 * A row's id is its firm's own, and what names a row names one of the same firm: the database itself holds references
 * inside the firm, several firms may have the shipped shelf, and an id that another firm uses tells nothing.
 */
export class KeysOfFirms1700000000013 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    const tables = (
      (await runner.query(
        `select table_name as name from information_schema.columns where table_schema = 'public' and column_name in ('id', 'firm_id')
       and table_name not in ('firm', 'search_entry') group by table_name having count(*) = 2 order by table_name`,
      )) as { name: string }[]
    ).map(({ name }) => name);
    const references = (await runner.query(
      `select c.conrelid::regclass::text as table, c.conname as name, a.attname as column, c.confrelid::regclass::text as to
       from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[1]
       where c.contype = 'f' and array_length(c.conkey, 1) = 1 and c.confrelid::regclass::text = any($1) order by c.conname`,
      [tables],
    )) as Reference[];
    for (const { table, name } of references) await runner.query(`alter table ${table} drop constraint ${name}`);
    for (const table of tables) await runner.query(`alter table ${table} drop constraint ${table}_pkey, add primary key (firm_id, id)`);
    for (const { table, name, column, to } of references)
      await runner.query(`alter table ${table} add constraint ${name} foreign key (firm_id, ${column}) references ${to} (firm_id, id)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    const references = (await runner.query(
      `select c.conrelid::regclass::text as table, c.conname as name, a.attname as column, c.confrelid::regclass::text as to
       from pg_constraint c join pg_attribute a on a.attrelid = c.conrelid and a.attnum = c.conkey[2]
       where c.contype = 'f' and array_length(c.conkey, 1) = 2 order by c.conname`,
    )) as Reference[];
    for (const { table, name } of references) await runner.query(`alter table ${table} drop constraint ${name}`);
    const tables = [...new Set(references.flatMap(({ table, to }) => [table, to]))].filter((table) => !['search_entry', 'search_waiting'].includes(table));
    for (const table of tables) await runner.query(`alter table ${table} drop constraint ${table}_pkey, add primary key (id)`);
    for (const { table, name, column, to } of references)
      await runner.query(`alter table ${table} add constraint ${name} foreign key (${column}) references ${to} (id)`);
  }
}
