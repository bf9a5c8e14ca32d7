import { DataTypes } from './driver';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Model,
  ModelStatic,
  Sequelize,
} from 'sequelize';

/**
 * A build: what the car is called and for. Deleting one keeps its row, so that it can be put back.
 * The list reads these columns alone: when it was last saved, a `summary` (JSON) of its document, the
 * `words` it is found by, its `worst` bump steer, degrees; `reckoned` says by which reckoning, null
 * where it is still to be done.
 */
export interface BuildRow extends Model<
  InferAttributes<BuildRow>,
  InferCreationAttributes<BuildRow>
> {
  id: string;
  name: string;
  use: string;
  savedAt: CreationOptional<Date | null>;
  summary: CreationOptional<string | null>;
  words: CreationOptional<string | null>;
  worst: CreationOptional<number | null>;
  reckoned: CreationOptional<number | null>;
  createdAt: CreationOptional<Date>;
  updatedAt: CreationOptional<Date>;
  deletedAt: CreationOptional<Date | null>;
}

/**
 * What a build holds, one row each. `geometry` is a document (JSON) of everything in the build's file,
 * all its variants included, but its name and use, in the file's format `format`; `version` counts saves; `savedBy`
 * is the window that made the last one. The table's own name is an older one.
 */
export interface DocumentRow extends Model<
  InferAttributes<DocumentRow>,
  InferCreationAttributes<DocumentRow>
> {
  id: string;
  buildId: string;
  name: string;
  geometry: string;
  format: number;
  version: CreationOptional<number>;
  savedBy: CreationOptional<string | null>;
  createdAt: CreationOptional<Date>;
  updatedAt: CreationOptional<Date>;
}

/** A build as it was saved once, kept so that it can be brought back; `savedAt` is when. */
export interface SaveRow extends Model<InferAttributes<SaveRow>, InferCreationAttributes<SaveRow>> {
  id: string;
  buildId: string;
  name: string;
  use: string;
  geometry: string;
  format: number;
  savedAt: Date;
  /** What somebody wrote on it: such a save is not thrown away for newer ones. */
  note: CreationOptional<string | null>;
}

/** A part on the shelf: `data` is a document (JSON) of everything but its kind and name. */
export interface PartRow extends Model<InferAttributes<PartRow>, InferCreationAttributes<PartRow>> {
  id: string;
  kind: string;
  name: string;
  data: string;
  createdAt: CreationOptional<Date>;
  updatedAt: CreationOptional<Date>;
  deletedAt: CreationOptional<Date | null>;
}

/** A check of a build: `data` is a document (JSON) of all of it but its readings. */
export interface CheckRow extends Model<
  InferAttributes<CheckRow>,
  InferCreationAttributes<CheckRow>
> {
  id: string;
  buildId: string;
  data: string;
  createdAt: CreationOptional<Date>;
  updatedAt: CreationOptional<Date>;
  deletedAt: CreationOptional<Date | null>;
}

/** One reading, mm or degrees as its method reads; `second` where it has two values. */
export interface ReadingRow extends Model<
  InferAttributes<ReadingRow>,
  InferCreationAttributes<ReadingRow>
> {
  id: string;
  checkId: string;
  readAt: string;
  side: string;
  method: string;
  round: number;
  height: number;
  asTravel: boolean;
  going: string | null;
  value: number;
  second: number | null;
  unit: string;
  plusMinus: number;
  instrument: string | null;
  leftOut: boolean;
  createdAt: CreationOptional<Date>;
  updatedAt: CreationOptional<Date>;
  deletedAt: CreationOptional<Date | null>;
}

/** An instrument of the workshop's. */
export interface InstrumentRow extends Model<
  InferAttributes<InstrumentRow>,
  InferCreationAttributes<InstrumentRow>
> {
  id: string;
  name: string;
  device: string;
  plusMinus: number;
  baud: number;
  note: string;
  createdAt: CreationOptional<Date>;
  updatedAt: CreationOptional<Date>;
  deletedAt: CreationOptional<Date | null>;
}

export interface Database {
  sequelize: Sequelize;
  builds: ModelStatic<BuildRow>;
  documents: ModelStatic<DocumentRow>;
  saves: ModelStatic<SaveRow>;
  parts: ModelStatic<PartRow>;
  checks: ModelStatic<CheckRow>;
  readings: ModelStatic<ReadingRow>;
  instruments: ModelStatic<InstrumentRow>;
}

/** The tables of an open connection. */
export const defineModels = (sequelize: Sequelize): Database => ({
  sequelize,
  builds: sequelize.define<BuildRow>(
    'build',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: { type: DataTypes.TEXT, allowNull: false },
      use: { type: DataTypes.TEXT, allowNull: false },
      savedAt: DataTypes.DATE,
      summary: DataTypes.TEXT,
      words: DataTypes.TEXT,
      worst: DataTypes.DOUBLE,
      reckoned: DataTypes.INTEGER,
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
      deletedAt: DataTypes.DATE,
    },
    { tableName: 'builds', underscored: true, paranoid: true },
  ),
  documents: sequelize.define<DocumentRow>(
    'document',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      buildId: { type: DataTypes.UUID, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      geometry: { type: DataTypes.TEXT, allowNull: false },
      format: { type: DataTypes.INTEGER, allowNull: false },
      version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
      savedBy: DataTypes.TEXT,
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
    },
    { tableName: 'layouts', underscored: true },
  ),
  saves: sequelize.define<SaveRow>(
    'save',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      buildId: { type: DataTypes.UUID, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      use: { type: DataTypes.TEXT, allowNull: false },
      geometry: { type: DataTypes.TEXT, allowNull: false },
      format: { type: DataTypes.INTEGER, allowNull: false },
      savedAt: { type: DataTypes.DATE, allowNull: false },
      note: DataTypes.TEXT,
    },
    { tableName: 'saves', underscored: true, timestamps: false },
  ),
  parts: sequelize.define<PartRow>(
    'part',
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      kind: { type: DataTypes.TEXT, allowNull: false },
      name: { type: DataTypes.TEXT, allowNull: false },
      data: { type: DataTypes.TEXT, allowNull: false },
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
      deletedAt: DataTypes.DATE,
    },
    { tableName: 'parts', underscored: true, paranoid: true },
  ),
  checks: sequelize.define<CheckRow>(
    'check',
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      buildId: { type: DataTypes.UUID, allowNull: false },
      data: { type: DataTypes.TEXT, allowNull: false },
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
      deletedAt: DataTypes.DATE,
    },
    { tableName: 'checks', underscored: true, paranoid: true },
  ),
  instruments: sequelize.define<InstrumentRow>(
    'instrument',
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      name: { type: DataTypes.TEXT, allowNull: false },
      device: { type: DataTypes.TEXT, allowNull: false },
      plusMinus: { type: DataTypes.DOUBLE, allowNull: false },
      baud: { type: DataTypes.INTEGER, allowNull: false },
      note: { type: DataTypes.TEXT, allowNull: false },
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
      deletedAt: DataTypes.DATE,
    },
    { tableName: 'instruments', underscored: true, paranoid: true },
  ),
  readings: sequelize.define<ReadingRow>(
    'reading',
    {
      id: { type: DataTypes.TEXT, primaryKey: true },
      checkId: { type: DataTypes.TEXT, allowNull: false },
      readAt: { type: DataTypes.TEXT, allowNull: false },
      side: { type: DataTypes.TEXT, allowNull: false },
      method: { type: DataTypes.TEXT, allowNull: false },
      round: { type: DataTypes.INTEGER, allowNull: false },
      height: { type: DataTypes.DOUBLE, allowNull: false },
      asTravel: { type: DataTypes.BOOLEAN, allowNull: false },
      going: DataTypes.TEXT,
      value: { type: DataTypes.DOUBLE, allowNull: false },
      second: DataTypes.DOUBLE,
      unit: { type: DataTypes.TEXT, allowNull: false },
      plusMinus: { type: DataTypes.DOUBLE, allowNull: false },
      instrument: DataTypes.TEXT,
      leftOut: { type: DataTypes.BOOLEAN, allowNull: false },
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
      deletedAt: DataTypes.DATE,
    },
    { tableName: 'readings', underscored: true, paranoid: true },
  ),
});
