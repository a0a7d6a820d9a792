import {
  DataTypes,
  type CreationOptional,
  type InferAttributes,
  type InferCreationAttributes,
  Model,
  type ModelStatic,
  type Sequelize,
} from 'sequelize';
import type { Piece } from '@/core/document';
import type { ExportSettings, ExportStatus, NewShelfItem, ShelfKind } from '@/contract';
import { connection } from './connection';

class ProjectRow extends Model<InferAttributes<ProjectRow>, InferCreationAttributes<ProjectRow>> {
  declare id: string;
  declare name: string;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
  declare deletedAt: CreationOptional<Date | null>;
}

class PieceRow extends Model<InferAttributes<PieceRow>, InferCreationAttributes<PieceRow>> {
  declare id: string;
  declare projectId: string;
  declare document: Piece;
  /** Counts up with every save; a save names the one it was based on. */
  declare revision: number;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
  declare deletedAt: CreationOptional<Date | null>;
}

class PieceRevisionRow extends Model<
  InferAttributes<PieceRevisionRow>,
  InferCreationAttributes<PieceRevisionRow>
> {
  declare pieceId: string;
  declare revision: number;
  declare document: Piece;
  /** The editing session that saved it, so that its quick saves can be thinned out. */
  declare session: string;
  /** What made it, when it was not plain editing: "Restored from revision 4". */
  declare note: CreationOptional<string | null>;
  declare createdAt: CreationOptional<Date>;
}

export class AssetRow extends Model<InferAttributes<AssetRow>, InferCreationAttributes<AssetRow>> {
  /** SHA-256 of the bytes, in hexadecimal: also where they lie. */
  declare hash: string;
  declare size: number;
  declare mediaType: string;
  declare createdAt: CreationOptional<Date>;
}

class ProjectFaceRow extends Model<InferAttributes<ProjectFaceRow>, InferCreationAttributes<ProjectFaceRow>> {
  declare projectId: string;
  /** The font file, as it was given. */
  declare assetHash: string;
  /** What the face calls itself. */
  declare name: string;
  /** Range of its weight axis, where it has one. */
  declare weightMin: number | null;
  declare weightMax: number | null;
  declare createdAt: CreationOptional<Date>;
}

export class ShelfItemRow extends Model<
  InferAttributes<ShelfItemRow>,
  InferCreationAttributes<ShelfItemRow>
> {
  declare id: string;
  declare projectId: string;
  declare kind: ShelfKind;
  declare name: string;
  declare content: NewShelfItem['content'];
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
}

export class ExportRow extends Model<InferAttributes<ExportRow>, InferCreationAttributes<ExportRow>> {
  declare id: string;
  declare pieceId: string;
  declare revision: number;
  /** The piece as it was when the export was asked for. */
  declare document: Piece;
  declare settings: ExportSettings;
  declare status: CreationOptional<ExportStatus>;
  declare framesDone: CreationOptional<number>;
  declare framesTotal: number;
  declare attempts: CreationOptional<number>;
  /** The one attempt that may write to this row; a worker that was given up has an older one. */
  declare runId: CreationOptional<string | null>;
  declare cancelRequested: CreationOptional<boolean>;
  declare message: CreationOptional<string | null>;
  declare assetHash: CreationOptional<string | null>;
  declare fileName: string;
  /** Whether it stays whatever the rule says. */
  declare kept: CreationOptional<boolean>;
  /** What fields of the document are filled with before it is made, by their names. */
  declare fills: CreationOptional<Readonly<Record<string, string>> | null>;
  declare heartbeatAt: CreationOptional<Date | null>;
  declare startedAt: CreationOptional<Date | null>;
  declare finishedAt: CreationOptional<Date | null>;
  declare createdAt: CreationOptional<Date>;
}

/** Some frames of a long export, one after another, made by one worker. */
export class ExportPartRow extends Model<
  InferAttributes<ExportPartRow>,
  InferCreationAttributes<ExportPartRow>
> {
  declare exportId: string;
  declare number: number;
  /** The place of its first frame among those that are exported. */
  declare first: number;
  declare frames: number;
  declare framesDone: CreationOptional<number>;
  declare status: CreationOptional<'queued' | 'running' | 'done'>;
  declare attempts: CreationOptional<number>;
  /** The one attempt that may write to this row, and that its files are named by. */
  declare runId: CreationOptional<string | null>;
  /** What went wrong the last time. */
  declare message: CreationOptional<string | null>;
  declare heartbeatAt: CreationOptional<Date | null>;
}

interface Models {
  readonly database: Sequelize;
  readonly projects: ModelStatic<ProjectRow>;
  readonly pieces: ModelStatic<PieceRow>;
  readonly revisions: ModelStatic<PieceRevisionRow>;
  readonly assets: ModelStatic<AssetRow>;
  readonly exports: ModelStatic<ExportRow>;
  readonly exportParts: ModelStatic<ExportPartRow>;
  readonly faces: ModelStatic<ProjectFaceRow>;
  readonly shelf: ModelStatic<ShelfItemRow>;
}

const bound = new WeakMap<Sequelize, Models>();
// Made anew for each table: Sequelize writes the column's name into what it is given.
const uuid = () => ({ type: DataTypes.UUID, primaryKey: true });
const kept = () => ({ createdAt: DataTypes.DATE, updatedAt: DataTypes.DATE, deletedAt: DataTypes.DATE });

/** The tables as models over the process's connection. Constraints live in the migrations. */
export function models(): Models {
  const database = connection();
  const known = bound.get(database);
  if (known) return known;
  const table = (tableName: string, timestamps: { updatedAt: boolean; paranoid: boolean }) => ({
    sequelize: database,
    tableName,
    underscored: true,
    ...timestamps,
  });
  const living = { updatedAt: true, paranoid: true };
  const written = { updatedAt: false, paranoid: false };
  ProjectRow.init({ id: uuid(), name: DataTypes.TEXT, ...kept() }, table('projects', living));
  PieceRow.init(
    {
      id: uuid(),
      projectId: DataTypes.UUID,
      document: DataTypes.JSONB,
      revision: DataTypes.INTEGER,
      ...kept(),
    },
    table('pieces', living),
  );
  PieceRevisionRow.init(
    {
      pieceId: uuid(),
      revision: { type: DataTypes.INTEGER, primaryKey: true },
      document: DataTypes.JSONB,
      session: DataTypes.TEXT,
      note: DataTypes.TEXT,
      createdAt: DataTypes.DATE,
    },
    table('piece_revisions', written),
  );
  AssetRow.init(
    {
      hash: { type: DataTypes.TEXT, primaryKey: true },
      size: DataTypes.INTEGER,
      mediaType: DataTypes.TEXT,
      createdAt: DataTypes.DATE,
    },
    table('assets', written),
  );
  ProjectFaceRow.init(
    {
      projectId: uuid(),
      assetHash: { type: DataTypes.TEXT, primaryKey: true },
      name: DataTypes.TEXT,
      weightMin: DataTypes.REAL,
      weightMax: DataTypes.REAL,
      createdAt: DataTypes.DATE,
    },
    table('project_faces', written),
  );
  ShelfItemRow.init(
    {
      id: uuid(),
      projectId: DataTypes.UUID,
      kind: DataTypes.TEXT,
      name: DataTypes.TEXT,
      content: DataTypes.JSONB,
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
    },
    table('shelf_items', { updatedAt: true, paranoid: false }),
  );
  ExportRow.init(
    {
      id: uuid(),
      pieceId: DataTypes.UUID,
      revision: DataTypes.INTEGER,
      document: DataTypes.JSONB,
      settings: DataTypes.JSONB,
      status: { type: DataTypes.TEXT, defaultValue: 'queued' },
      framesDone: { type: DataTypes.INTEGER, defaultValue: 0 },
      framesTotal: DataTypes.INTEGER,
      attempts: { type: DataTypes.INTEGER, defaultValue: 0 },
      runId: DataTypes.UUID,
      cancelRequested: { type: DataTypes.BOOLEAN, defaultValue: false },
      message: DataTypes.TEXT,
      assetHash: DataTypes.TEXT,
      fileName: DataTypes.TEXT,
      kept: { type: DataTypes.BOOLEAN, defaultValue: false },
      fills: DataTypes.JSONB,
      heartbeatAt: DataTypes.DATE,
      startedAt: DataTypes.DATE,
      finishedAt: DataTypes.DATE,
      createdAt: DataTypes.DATE,
    },
    table('exports', written),
  );
  ExportPartRow.init(
    {
      exportId: uuid(),
      number: { type: DataTypes.INTEGER, primaryKey: true },
      first: DataTypes.INTEGER,
      frames: DataTypes.INTEGER,
      framesDone: { type: DataTypes.INTEGER, defaultValue: 0 },
      status: { type: DataTypes.TEXT, defaultValue: 'queued' },
      attempts: { type: DataTypes.INTEGER, defaultValue: 0 },
      runId: DataTypes.UUID,
      message: DataTypes.TEXT,
      heartbeatAt: DataTypes.DATE,
    },
    { ...table('export_parts', written), timestamps: false },
  );
  const result: Models = {
    database,
    projects: ProjectRow,
    pieces: PieceRow,
    revisions: PieceRevisionRow,
    assets: AssetRow,
    exports: ExportRow,
    exportParts: ExportPartRow,
    faces: ProjectFaceRow,
    shelf: ShelfItemRow,
  };
  bound.set(database, result);
  return result;
}
