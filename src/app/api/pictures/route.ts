import { route } from '@/server/http';
import { PICTURE_LIMITS, storePicture } from '@/server/pictures';

export const dynamic = 'force-dynamic';
export const POST = route({ file: PICTURE_LIMITS.bytes }, ({ file }) => storePicture(file));
