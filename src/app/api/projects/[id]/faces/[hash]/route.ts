import { FACES } from '@/contract';
import { answers } from '@/server/http';
import { removeFace } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const DELETE = answers(FACES.remove, ({ params }) => removeFace(params.id, params.hash));
