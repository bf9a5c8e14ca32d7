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
  {
    name: '006-checks',
    up: async (tables, transaction) => {
      const text = { type: DataTypes.TEXT, allowNull: false };
      await tables.createTable(
        'checks',
        {
          id: { type: DataTypes.TEXT, primaryKey: true },
          build_id: ofABuild,
          data: text,
          ...dates,
          deleted_at: { type: DataTypes.DATE },
        },
        { transaction },
      );
      await tables.createTable(
        'readings',
        {
          id: { type: DataTypes.TEXT, primaryKey: true },
          check_id: {
            type: DataTypes.TEXT,
            allowNull: false,
            references: { model: 'checks', key: 'id' },
            onDelete: 'CASCADE',
          },
          read_at: text,
          side: text,
          method: text,
          round: { type: DataTypes.INTEGER, allowNull: false },
          height: { type: DataTypes.DOUBLE, allowNull: false },
          as_travel: { type: DataTypes.BOOLEAN, allowNull: false },
          going: { type: DataTypes.TEXT },
          value: { type: DataTypes.DOUBLE, allowNull: false },
          second: { type: DataTypes.DOUBLE },
          unit: text,
          plus_minus: { type: DataTypes.DOUBLE, allowNull: false },
          instrument: { type: DataTypes.TEXT },
          left_out: { type: DataTypes.BOOLEAN, allowNull: false },
          ...dates,
          deleted_at: { type: DataTypes.DATE },
        },
        { transaction },
      );
      for (const sql of [
        'CREATE INDEX checks_build_id ON checks (build_id)',
        'CREATE INDEX readings_check_id ON readings (check_id)',
      ])
        await tables.sequelize.query(sql, { transaction });
    },
  },
  {
    name: '007-instruments',
    up: async (tables, transaction) => {
      const text = { type: DataTypes.TEXT, allowNull: false };
      await tables.createTable(
        'instruments',
        {
          id: { type: DataTypes.TEXT, primaryKey: true },
          name: text,
          device: text,
          plus_minus: { type: DataTypes.DOUBLE, allowNull: false },
          baud: { type: DataTypes.INTEGER, allowNull: false },
          note: text,
          ...dates,
          deleted_at: { type: DataTypes.DATE },
        },
        { transaction },
      );
    },
  },
];
