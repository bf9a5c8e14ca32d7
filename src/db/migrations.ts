import { DataTypes } from 'sequelize';
import type { QueryInterface } from 'sequelize';
import type { RunnableMigration } from 'umzug';

/** Every change of the tables, in order. A landed one is never edited: add another. */
export const MIGRATIONS: RunnableMigration<QueryInterface>[] = [
  {
    name: '001-builds-and-layouts',
    up: async ({ context }) => {
      const dates = {
        created_at: { type: DataTypes.DATE, allowNull: false },
        updated_at: { type: DataTypes.DATE, allowNull: false },
      };
      await context.createTable('builds', {
        id: { type: DataTypes.UUID, primaryKey: true },
        name: { type: DataTypes.TEXT, allowNull: false },
        use: { type: DataTypes.TEXT, allowNull: false },
        ...dates,
        deleted_at: { type: DataTypes.DATE },
      });
      await context.createTable('layouts', {
        id: { type: DataTypes.UUID, primaryKey: true },
        build_id: {
          type: DataTypes.UUID,
          allowNull: false,
          references: { model: 'builds', key: 'id' },
          onDelete: 'CASCADE',
        },
        name: { type: DataTypes.TEXT, allowNull: false },
        geometry: { type: DataTypes.TEXT, allowNull: false },
        format: { type: DataTypes.INTEGER, allowNull: false },
        version: { type: DataTypes.INTEGER, allowNull: false, defaultValue: 1 },
        saved_by: { type: DataTypes.TEXT },
        ...dates,
      });
      await context.addIndex('layouts', ['build_id']);
    },
    down: async ({ context }) => {
      await context.dropTable('layouts');
      await context.dropTable('builds');
    },
  },
  {
    name: '002-parts',
    up: ({ context }) =>
      context.createTable('parts', {
        id: { type: DataTypes.UUID, primaryKey: true },
        kind: { type: DataTypes.TEXT, allowNull: false },
        name: { type: DataTypes.TEXT, allowNull: false },
        data: { type: DataTypes.TEXT, allowNull: false },
        created_at: { type: DataTypes.DATE, allowNull: false },
        updated_at: { type: DataTypes.DATE, allowNull: false },
        deleted_at: { type: DataTypes.DATE },
      }),
    down: ({ context }) => context.dropTable('parts'),
  },
  {
    name: '003-saves',
    up: async ({ context }) => {
      await context.createTable('saves', {
        id: { type: DataTypes.UUID, primaryKey: true },
        build_id: {
          type: DataTypes.UUID,
          allowNull: false,
          references: { model: 'builds', key: 'id' },
          onDelete: 'CASCADE',
        },
        name: { type: DataTypes.TEXT, allowNull: false },
        use: { type: DataTypes.TEXT, allowNull: false },
        geometry: { type: DataTypes.TEXT, allowNull: false },
        format: { type: DataTypes.INTEGER, allowNull: false },
        saved_at: { type: DataTypes.DATE, allowNull: false },
      });
      await context.addIndex('saves', ['build_id', 'saved_at']);
    },
    down: ({ context }) => context.dropTable('saves'),
  },
];
