import { DataSource } from 'typeorm';
import { ENTITIES } from '../entities';
import { First1700000000000 } from '../migrations/First1700000000000';
import { Photographs1700000000001 } from '../migrations/Photographs1700000000001';
import { PricesAndLetters1700000000003 } from '../migrations/PricesAndLetters1700000000003';
import { Shelf1700000000002 } from '../migrations/Shelf1700000000002';

/** A pool on one of the two roles. No schema synchronising, ever. */
export function makeSource({ url, most = 10 }: { url: string; most?: number }): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [First1700000000000, Photographs1700000000001, Shelf1700000000002, PricesAndLetters1700000000003],
    migrationsTableName: 'migration',
    synchronize: false,
    extra: { max: most },
  });
}
