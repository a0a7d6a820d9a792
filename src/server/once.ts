import { QueryTypes, type Transaction } from 'sequelize';
import { models } from './database';

/**
 * Makes something in one transaction, once for each key: asked again with the same key, it answers as it did. Of two that ask at the
 * same time the second waits for the first. Where the first failed nothing was made, and it is tried anew.
 * @param key null where whoever asks has none: then it is made each time.
 */
export const once = <T>(key: string | null, make: (transaction: Transaction) => Promise<T>): Promise<T> => {
  const { database } = models();
  return database.transaction(async (transaction) => {
    if (key === null) return make(transaction);
    const [isFirst] = await database.query(
      'INSERT INTO requests (key) VALUES ($1) ON CONFLICT (key) DO NOTHING RETURNING key',
      { type: QueryTypes.SELECT, bind: [key], transaction },
    );
    if (!isFirst) {
      const [before] = await database.query<{ answer: T }>('SELECT answer FROM requests WHERE key = $1', {
        type: QueryTypes.SELECT,
        bind: [key],
        transaction,
      });
      return before!.answer;
    }
    const answer = await make(transaction);
    await database.query('UPDATE requests SET answer = $2::jsonb WHERE key = $1', {
      bind: [key, JSON.stringify(answer)],
      transaction,
    });
    return answer;
  });
};
