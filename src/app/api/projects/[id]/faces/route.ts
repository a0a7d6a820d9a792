import { FACES, idParams, LINE_FACES } from '@/contract';
import { answers, route } from '@/server/http';
import { addFace, FONT_BYTES, listFaces } from '@/server/lettering';

export const dynamic = 'force-dynamic';
export const GET = answers(FACES.list, async ({ params }) => ({
  faces: await listFaces(params.id),
  lineFaces: [...LINE_FACES],
}));
export const POST = route({ params: idParams, file: FONT_BYTES }, ({ params, file, request }) =>
  addFace(params.id, file, new URL(request.url).searchParams.get('name') ?? ''),
);
