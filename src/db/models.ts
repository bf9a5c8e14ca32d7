import { DataTypes, Model } from 'sequelize';
import type {
  CreationOptional,
  InferAttributes,
  InferCreationAttributes,
  Sequelize,
} from 'sequelize';

/** A build: what the car is called and for. Deleting one keeps its row, so that it can be undone. */
export class BuildRow extends Model<InferAttributes<BuildRow>, InferCreationAttributes<BuildRow>> {
  declare id: string;
  declare name: string;
  declare use: string;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
  declare deletedAt: CreationOptional<Date | null>;
}

/**
 * A layout of a build. `geometry` is a document (JSON) of everything in the build's file but its name
 * and use, in the file's format `format`; `version` counts saves; `savedBy` is the window that made
 * the last one.
 */
export class LayoutRow extends Model<
  InferAttributes<LayoutRow>,
  InferCreationAttributes<LayoutRow>
> {
  declare id: string;
  declare buildId: string;
  declare name: string;
  declare geometry: string;
  declare format: number;
  declare version: CreationOptional<number>;
  declare savedBy: CreationOptional<string | null>;
  declare createdAt: CreationOptional<Date>;
  declare updatedAt: CreationOptional<Date>;
}

export function defineModels(sequelize: Sequelize): void {
  BuildRow.init(
    {
      id: { type: DataTypes.UUID, primaryKey: true },
      name: { type: DataTypes.TEXT, allowNull: false },
      use: { type: DataTypes.TEXT, allowNull: false },
      createdAt: DataTypes.DATE,
      updatedAt: DataTypes.DATE,
      deletedAt: DataTypes.DATE,
    },
    { sequelize, tableName: 'builds', underscored: true, paranoid: true },
  );
  LayoutRow.init(
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
    { sequelize, tableName: 'layouts', underscored: true },
  );
}
