import { z } from 'zod';
import { endpoint, hashSchema } from './endpoint';

/** Takes a picture in; its body is the bytes of the file. */
export const STORE_PICTURE = endpoint('POST', '/api/pictures', {
  answer: z.looseObject({ hash: hashSchema, width: z.number(), height: z.number() }),
});
