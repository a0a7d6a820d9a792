import { Sequelize } from 'sequelize';

/** One pool a process, kept over hot reloads in development. */
const kept = globalThis as { obelusDatabase?: Sequelize };

/** The address of the database; the start script and the tests set it. */
export function databaseUrl(): string {
  const url = process.env.DATABASE_URL;
  if (!url)
    throw new Error('DATABASE_URL is not set. Start Obelus with `npm start`, which brings up its database.');
  return url;
}

export function connection(): Sequelize {
  kept.obelusDatabase ??= new Sequelize(databaseUrl(), {
    dialect: 'postgres',
    logging: false,
    pool: { max: 8, idle: 10_000 },
    retry: { max: 1 },
  });
  return kept.obelusDatabase;
}

const closing = new Set<() => void>();

/** Does something before the connection is closed: what was put off and needs it is dropped. */
export const beforeClosing = (drop: () => void): void => void closing.add(drop);

export async function closeConnection(): Promise<void> {
  for (const drop of closing) drop();
  await kept.obelusDatabase?.close();
  delete kept.obelusDatabase;
}
