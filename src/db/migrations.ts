import { DataTypes } from './driver';
import type { QueryInterface, Transaction } from 'sequelize';

/** One step of the tables. `up` does all its work within the transaction it is given. */
export interface Migration {
  name: string;
  up: (tables: QueryInterface, transaction: Transaction) => Promise<void>;
}

const dates = {
  created_at: { type: DataTypes.DATE, allowNull: false },
  updated_at: { type: DataTypes.DATE, allowNull: false },
};

const ofABuild = {
  type: DataTypes.UUID,
  allowNull: false,
  references: { model: 'builds', key: 'id' },
  onDelete: 'CASCADE',
};

/** Every change of the tables, in order. A landed one is never edited: add another. */
export const MIGRATIONS: readonly Migration[] = [
  {
    name: '001-builds-and-layouts',
    up: async (tables, transaction) => {
      await tables.createTable(
        'builds',
        {
          id: { type: DataTypes.UUID, primaryKey: true },
          name: { type: DataTypes.TEXT, allowNull: false },
          use: { type: DataTypes.TEXT, allowNull: false },
          ...dates,
          deleted_at: { type: DataTypes.DATE },
        },
        { transaction },
      );
      await tables.createTable(
        'layouts',
        {
          id: { type: DataTypes.UUID, primaryKey: true },
          build_id: ofABuild,
          name: { type: DataTypes.TEXT, allowNull: false },
          geometry: { type: DataTypes.TEXT, allowNull: false },
          format: { type: DataTypes.INTEGER, allowNull: false },
          version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
          saved_by: { type: DataTypes.TEXT },
          ...dates,
        },
        { transaction },
      );
      // A first start that was killed before migrations were whole may have left the index behind.
      await tables.sequelize.query(
        'CREATE INDEX IF NOT EXISTS layouts_build_id ON layouts (build_id)',
        { transaction },
      );
    },
  },
  {
    name: '002-parts',
    up: (tables, transaction) =>
      tables.createTable(
        'parts',
        {
          id: { type: DataTypes.UUID, primaryKey: true },
          kind: { type: DataTypes.TEXT, allowNull: false },
          name: { type: DataTypes.TEXT, allowNull: false },
          data: { type: DataTypes.TEXT, allowNull: false },
          ...dates,
          deleted_at: { type: DataTypes.DATE },
        },
        { transaction },
      ),
  },
  {
    name: '003-saves',
    up: async (tables, transaction) => {
      await tables.createTable(
        'saves',
        {
          id: { type: DataTypes.UUID, primaryKey: true },
          build_id: ofABuild,
          name: { type: DataTypes.TEXT, allowNull: false },
          use: { type: DataTypes.TEXT, allowNull: false },
          geometry: { type: DataTypes.TEXT, allowNull: false },
          format: { type: DataTypes.INTEGER, allowNull: false },
          saved_at: { type: DataTypes.DATE, allowNull: false },
        },
        { transaction },
      );
      await tables.sequelize.query(
        'CREATE INDEX IF NOT EXISTS saves_build_id_saved_at ON saves (build_id, saved_at)',
        { transaction },
      );
    },
  },
  {
    name: '004-summaries',
    up: async (tables, transaction) => {
      const columns = {
        saved_at: { type: DataTypes.DATE },
        summary: { type: DataTypes.TEXT },
        words: { type: DataTypes.TEXT },
        worst: { type: DataTypes.DOUBLE },
        reckoned: { type: DataTypes.INTEGER },
      };
      for (const [name, column] of Object.entries(columns))
        await tables.addColumn('builds', name, column, { transaction });
      for (const sql of [
        `UPDATE builds SET saved_at = COALESCE(
           (SELECT updated_at FROM layouts WHERE build_id = builds.id), updated_at)`,
        'CREATE INDEX builds_deleted_at_saved_at ON builds (deleted_at, saved_at)',
      ])
        await tables.sequelize.query(sql, { transaction });
    },
  },
  {
    name: '005-notes-on-saves',
    up: (tables, transaction) =>
      tables.addColumn('saves', 'note', { type: DataTypes.TEXT }, { transaction }),
  },
];
