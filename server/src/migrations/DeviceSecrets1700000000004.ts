import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What a device shows at sign-in to be known again, as its hash, and who has signed in there; and changes found by their place in the order. */
export class DeviceSecrets1700000000004 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`alter table device add column secret text, add column persons uuid[] not null default '{}'`);
    await runner.query('create unique index on device (secret)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table device drop column secret, drop column persons');
  }
}
