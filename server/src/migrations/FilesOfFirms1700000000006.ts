import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Bytes are a firm's own, whatever id another firm's have: what is sent under one that another uses is not lost in silence. */
export class FilesOfFirms1700000000006 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table photograph_file drop constraint photograph_file_pkey, add primary key (firm_id, photograph_id, size)');
    await runner.query('alter table letter_file drop constraint letter_file_pkey, add primary key (firm_id, letter_id)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table letter_file drop constraint letter_file_pkey, add primary key (letter_id)');
    await runner.query('alter table photograph_file drop constraint photograph_file_pkey, add primary key (photograph_id, size)');
  }
}
