import { BAY } from './bay';
import { BIN } from './bin';
import type { Endpoint } from './endpoint';
import { EXPORTS } from './exports';
import { READ_FIELDS } from './fields';
import { FILES } from './files';
import { FACES, LETTERING } from './lettering';
import { STORE_PICTURE } from './pictures';
import { PIECES } from './pieces';
import { PROJECT_FILES } from './project-files';
import { LAYOUT_LIST, PROJECTS } from './projects';
import { SHELF } from './shelf';

/** All that can be asked of the server. What is not among it is nothing that the server answers. */
export const ENDPOINTS: readonly Endpoint[] = [
  ...[PROJECTS, PIECES, EXPORTS, FILES, PROJECT_FILES, BAY, BIN, FACES, LETTERING, SHELF].flatMap(
    (group): Endpoint[] => Object.values(group),
  ),
  ...[LAYOUT_LIST, READ_FIELDS, STORE_PICTURE],
];
