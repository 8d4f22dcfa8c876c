import type { Logger } from 'pino';
import { DataSource } from 'typeorm';
import { ENTITIES } from '../entities';
import { ChangeOrder1700000000005 } from '../migrations/ChangeOrder1700000000005';
import { DeviceSecrets1700000000004 } from '../migrations/DeviceSecrets1700000000004';
import { FilesOfFirms1700000000006 } from '../migrations/FilesOfFirms1700000000006';
import { First1700000000000 } from '../migrations/First1700000000000';
import { Photographs1700000000001 } from '../migrations/Photographs1700000000001';
import { PlaceAndWeather1700000000007 } from '../migrations/PlaceAndWeather1700000000007';
import { Care1700000000012 } from '../migrations/Care1700000000012';
import { CrewFigures1700000000009 } from '../migrations/CrewFigures1700000000009';
import { KeysOfFirms1700000000013 } from '../migrations/KeysOfFirms1700000000013';
import { Doors1700000000014 } from '../migrations/Doors1700000000014';
import { Erasure1700000000016 } from '../migrations/Erasure1700000000016';
import { Spoken1700000000015 } from '../migrations/Spoken1700000000015';
import { Documents1700000000010 } from '../migrations/Documents1700000000010';
import { Search1700000000011 } from '../migrations/Search1700000000011';
import { Rehearsals1700000000008 } from '../migrations/Rehearsals1700000000008';
import { PricesAndLetters1700000000003 } from '../migrations/PricesAndLetters1700000000003';
import { Shelf1700000000002 } from '../migrations/Shelf1700000000002';

/** A pool on one of the two roles. No schema synchronising, ever. */
export function makeSource({ url, most = 10, log }: { url: string; most?: number; log?: Logger }): DataSource {
  return new DataSource({
    type: 'postgres',
    url,
    entities: ENTITIES,
    migrations: [
      First1700000000000,
      Photographs1700000000001,
      Shelf1700000000002,
      PricesAndLetters1700000000003,
      DeviceSecrets1700000000004,
      ChangeOrder1700000000005,
      FilesOfFirms1700000000006,
      PlaceAndWeather1700000000007,
      Rehearsals1700000000008,
      CrewFigures1700000000009,
      Documents1700000000010,
      Search1700000000011,
      Care1700000000012,
      KeysOfFirms1700000000013,
      Doors1700000000014,
      Spoken1700000000015,
      Erasure1700000000016,
    ],
    migrationsTableName: 'migration',
    synchronize: false,
    extra: { max: most, connectionTimeoutMillis: 5000, keepAlive: true },
    // A connection lost while nobody used it is made anew when it is needed.
    poolErrorHandler: (error: Error) => log?.warn({ error: error.message }, 'database connection lost'),
  });
}
