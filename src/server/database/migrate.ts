import { SequelizeStorage, Umzug } from 'umzug';
import { connection } from './connection';
import * as firstTables from './migrations/001-first-tables';
import * as faces from './migrations/002-faces';
import * as shelf from './migrations/003-shelf';
import * as shelfKinds from './migrations/004-shelf-kinds';
import * as shelfLayouts from './migrations/005-shelf-layouts';
import * as cards from './migrations/006-cards';
import * as shelfEffects from './migrations/007-shelf-effects';
import * as exportsKept from './migrations/008-exports-kept';
import * as exportParts from './migrations/009-export-parts';
import * as hashesAndRequests from './migrations/010-hashes-and-requests';

/** Brings the tables to today's form; answers with the names of the migrations that ran. */
export async function migrate(): Promise<string[]> {
  const sequelize = connection();
  const umzug = new Umzug({
    migrations: [
      firstTables,
      faces,
      shelf,
      shelfKinds,
      shelfLayouts,
      cards,
      shelfEffects,
      exportsKept,
      exportParts,
      hashesAndRequests,
    ].map(({ name, up, down }) => ({
      name,
      up: () => up(sequelize.getQueryInterface()),
      down: () => down(sequelize.getQueryInterface()),
    })),
    storage: new SequelizeStorage({ sequelize }),
    logger: undefined,
  });
  return (await umzug.up()).map((done) => done.name);
}
