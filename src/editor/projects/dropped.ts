import { FACES, PIECES, type ProjectSummary } from '@/contract';
import { newPiece, SIZES } from '@/core/document';
import { notify } from '@/ui';
import { handFiles } from '../handed-files';
import { openProjectFile } from '../open-project-file';
import { call, sendBytes } from '../saving';

const isProjectFile = (file: File): boolean => /\.(obelus|zip)$/i.test(file.name);
const isFont = (file: File): boolean => /\.(ttf|otf|woff2?|ttc)$/i.test(file.name);

/** What a piece is called that a file begins. */
const nameOf = (file: File): string => file.name.replace(/\.[a-z0-9]+$/i, '').slice(0, 100) || 'Untitled';

/**
 * Takes files where they belong: project files are opened, fonts become faces of the project, and pictures and vectors begin a
 * piece in it, which is opened. Answers the piece, where one was made.
 */
export async function takeDroppedFiles(
  files: readonly File[],
  project: ProjectSummary | null,
): Promise<string | null> {
  for (const file of files.filter(isProjectFile)) await openProjectFile(file);
  const rest = files.filter((file) => !isProjectFile(file));
  if (rest.length === 0) return null;
  if (!project) {
    notify('There is no project yet that could take this. Make one first. Nothing was changed.');
    return null;
  }
  for (const file of rest.filter(isFont)) {
    const face = await sendBytes(FACES.add, { id: project.id }, file, { name: nameOf(file) });
    notify(`${face.name} is now one of the faces of “${project.name}”.`);
  }
  const pictures = rest.filter((file) => !isFont(file));
  if (pictures.length === 0) return null;
  const document = newPiece(nameOf(pictures[0]!), SIZES[0]!.size, { numerator: 25, denominator: 1 }, 100);
  const { id } = await call(PIECES.create, { params: { id: project.id }, body: { document } });
  handFiles(id, pictures);
  return id;
}
