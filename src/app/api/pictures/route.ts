import { route } from '@/server/http';
import { PICTURE_LIMITS, storePicture } from '@/server/pictures';

export const dynamic = 'force-dynamic';
export const POST = route({ bytes: PICTURE_LIMITS.bytes }, ({ bytes }) => storePicture(bytes));
