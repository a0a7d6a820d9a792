import { BAY_BYTES, takeFile } from '@/server/bay';
import { route } from '@/server/http';

export const dynamic = 'force-dynamic';
export const POST = route({ file: BAY_BYTES }, ({ file, request }) =>
  takeFile(file, new URL(request.url).searchParams.get('name') ?? ''),
);
