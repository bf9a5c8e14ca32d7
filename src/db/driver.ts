import { createRequire } from 'node:module';
import { join } from 'node:path';
import type * as SequelizeModule from 'sequelize';
import type * as UmzugModule from 'umzug';

/**
 * Sequelize and what it brings, loaded as installed: the build of the application neither bundles nor
 * follows them, which would take it a quarter of its time.
 */
function load(name: string): unknown {
  // Whatever was started stands in the installation or is started from within it.
  const from = [process.argv[1], join(/*turbopackIgnore: true*/ process.cwd(), 'package.json')];
  for (const [i, path] of from.entries())
    try {
      return createRequire(path)(name) as unknown;
    } catch (error) {
      if (i === from.length - 1) throw error;
    }
  return undefined;
}

export const { DataTypes, Op, QueryTypes, Sequelize, Transaction, col, fn, literal, where } = load(
  'sequelize',
) as typeof SequelizeModule;

export const { SequelizeStorage, Umzug } = load('umzug') as typeof UmzugModule;
