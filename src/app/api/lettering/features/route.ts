import { LETTERING } from '@/contract';
import { answers } from '@/server/http';
import { axesOfSetting, featuresOfSetting } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const POST = answers(LETTERING.features, async ({ body }) => ({
  features: await featuresOfSetting(body),
  axes: [...(await axesOfSetting(body))],
}));
