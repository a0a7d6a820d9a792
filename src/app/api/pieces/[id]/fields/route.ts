import { READ_FIELDS } from '@/contract';
import { readFields } from '@/server/fields';
import { answers } from '@/server/http';

export const dynamic = 'force-dynamic';
export const GET = answers(READ_FIELDS, ({ params }) => readFields(params.id));
