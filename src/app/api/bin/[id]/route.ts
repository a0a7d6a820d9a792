import { BIN } from '@/contract';
import { removeFromBin } from '@/server/bin';
import { answers } from '@/server/http';

export const DELETE = answers(BIN.remove, ({ params }) => removeFromBin(params.id));
