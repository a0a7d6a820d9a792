import { BAY_BYTES, takeFile } from '@/server/bay';
import { route } from '@/server/http';

export const dynamic = 'force-dynamic';
export const POST = route({ bytes: BAY_BYTES }, ({ bytes, request }) =>
  takeFile(bytes, new URL(request.url).searchParams.get('name') ?? ''),
);
