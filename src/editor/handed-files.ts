/** Files that were dropped on the list, for the piece that was made for them: taken in once it is open. */
const handed = new Map<string, readonly File[]>();

export const handFiles = (piece: string, files: readonly File[]): void => void handed.set(piece, files);

/** The files that wait for a piece; they are given once. */
export function filesHanded(piece: string): readonly File[] {
  const files = handed.get(piece) ?? [];
  handed.delete(piece);
  return files;
}
