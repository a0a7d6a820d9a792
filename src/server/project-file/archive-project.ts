import { writeZip } from '../zip';

/** A file that goes into an archive under a name. */
export interface ArchiveEntry {
  readonly name: string;
  readonly path: string;
  /** Whether it is packed: pictures and fonts are already. */
  readonly packed: boolean;
}

/** Writes an archive of files. */
export async function archiveProject({
  entries,
  to,
}: {
  readonly entries: readonly ArchiveEntry[];
  readonly to: string;
}): Promise<void> {
  await writeZip(to, async (zip) => {
    for (const { name, path, packed } of entries) await zip.addFile(name, path, packed ? 'packed' : 'stored');
    return true;
  });
}
