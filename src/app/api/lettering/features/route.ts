import { LETTERING } from '@/contract';
import { answers } from '@/server/http';
import { featuresOfSetting } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const POST = answers(LETTERING.features, async ({ body }) => ({
  features: await featuresOfSetting(body),
}));
