/** A picture, and the revision of the piece that it shows. */
export interface PiecePicture {
  readonly bytes: Buffer;
  readonly revision: number;
}

/**
 * The answer with a picture of a piece. Its address carries the revision: a picture of the revision that was asked for never
 * changes.
 */
export async function answerPicture(
  request: Request,
  id: string,
  type: 'image/png' | 'image/webp',
  read: (id: string, asked: number | null) => Promise<PiecePicture>,
): Promise<Response> {
  const text = new URL(request.url).searchParams.get('revision') ?? '';
  const asked = /^\d{1,9}$/.test(text) ? Number(text) : null;
  const tag = (revision: number): string => `"${id}-${revision}"`;
  const known = request.headers.get('if-none-match');
  if (asked !== null && known === tag(asked))
    return new Response(null, { status: 304, headers: { ETag: known } });
  const { bytes, revision } = await read(id, asked);
  return new Response(new Uint8Array(bytes), {
    headers: {
      'Content-Type': type,
      'Content-Length': String(bytes.length),
      'Cache-Control': asked === revision ? 'private, max-age=31536000, immutable' : 'private, no-cache',
      ETag: tag(revision),
    },
  });
}
