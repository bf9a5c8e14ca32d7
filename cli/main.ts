import { Command, CommanderError, InvalidArgumentError, Option } from 'commander';
import { z } from 'zod';
import { parseNumber } from '../src/core/model/units';
import { PLANE_NAMES } from '../src/core/model/mapPlanes';
import type { PlaneName } from '../src/core/model/mapPlanes';
import { INSTRUMENT_KINDS } from '../src/core/model/instruments';
import { TROUBLE_NAMES } from '../src/core/instruments/standIn';
import { READ_SIDES, TOUCHED } from '../src/core/model/checks';
import { PAPERS } from '../src/core/model/shop';
import { backupTo, restoreFrom } from './backup';
import { checkReport } from './check';
import { checkCarReport } from './checkCar';
import { columnTable } from './column';
import { damperTable, loadsTable } from './damper';
import { BadInput, readBuild, textOf } from './input';
import { kindsList } from './kinds';
import { mapTable } from './map';
import { nullReport } from './null';
import { plain } from './plain';
import { writeReport } from './report';
import { setupReport } from './setup';
import { partsTable, writeSheets } from './sheets';
import { standIn } from './standIn';
import { steerTable } from './steer';
import { sweepTable } from './sweep';

const number = (text: string): number => {
  const parsed = parseNumber(text);
  if (!parsed.ok) throw new InvalidArgumentError(parsed.why);
  return parsed.value;
};

const wheel = { axle: z.enum(['front', 'rear']), side: z.enum(['left', 'right']) };

const nullOptions = z.object({
  ...wheel,
  free: z.string().optional(),
  within: z.number().positive('--within is above 0').max(500, '--within is at most 500 mm'),
  format: z.enum(['text', 'json']),
  pick: z.enum(['work', 'paper', 'built']).optional(),
});

const setupOptions = z.object({
  ...wheel,
  want: z.string().max(200).optional(),
  measured: z.string().max(200).optional(),
  lower: z
    .number()
    .min(-200, '--lower is at least −200 mm')
    .max(200, '--lower is at most 200 mm')
    .optional(),
  rackOff: z
    .number()
    .min(-60, '--rack-off is at least −60 mm')
    .max(60, '--rack-off is at most 60 mm')
    .optional(),
  format: z.enum(['text', 'json']),
});

const mapOptions = z.object({
  ...wheel,
  plane: z.enum(PLANE_NAMES as [string, ...string[]]).transform((name) => name as PlaneName),
  size: z.number().positive('--size is above 0').max(500, '--size is at most 500 mm'),
  n: z.int('--n is a whole number').min(2, '--n is at least 2').max(401, '--n is at most 401'),
  format: z.enum(['csv', 'json']),
});

const positions = {
  from: z.number().optional(),
  to: z.number().optional(),
  step: z.number().positive('--step is above 0'),
  format: z.enum(['csv', 'json']),
};
const inOrder = [
  (o: { from?: number | undefined; to?: number | undefined }) =>
    o.from === undefined || o.to === undefined || o.from <= o.to,
  { error: '--from is not above --to' },
] as const;

const sweepOptions = z
  .object({ ...wheel, ...positions, rack: z.number(), opposite: z.boolean().optional() })
  .refine(...inOrder);
const steerOptions = z.object({ ...positions, travel: z.number() }).refine(...inOrder);

const columnOptions = z.object({ ...positions, clock: z.boolean().optional() }).refine(...inOrder);

const damperOptions = z.object({ ...wheel, ...positions }).refine(...inOrder);
const loadsOptions = z.object({ ...wheel, format: z.enum(['csv', 'json']) });

const sheetsOptions = z.object({
  out: z.string({ error: '--out says which folder' }).min(1, '--out says which folder'),
  paper: z.enum(PAPERS),
  replace: z.boolean().optional(),
});
const reportOptions = z.object({
  out: z.string({ error: '--out says which file' }).min(1, '--out says which file'),
  against: z.string().min(1, '--against names a variant').max(60).optional(),
  paper: z.enum(PAPERS),
  replace: z.boolean().optional(),
});
const partsOptions = z.object({ format: z.enum(['csv', 'json']) });

const checkCarOptions = z.object({
  axle: wheel.axle,
  side: z.enum(READ_SIDES),
  on: z.enum(TOUCHED),
  moved: z.enum(['wheel', 'chassis']),
  span: z.number().optional(),
  wall: z.number().optional(),
  wall2: z.number().optional(),
  dialSpan: z.number().optional(),
  heightOff: z.number().optional(),
  fitted: z.array(z.string()).optional(),
  format: z.enum(['text', 'json']),
});

const standInOptions = z.object({
  ...wheel,
  device: z.enum(INSTRUMENT_KINDS),
  car: z.string().min(1, '--car says which file, or demo'),
  travel: z.number(),
  trouble: z.enum(TROUBLE_NAMES),
  seed: z.int('--seed is a whole number').min(0, '--seed is at least 0'),
  lines: z
    .int('--lines is a whole number')
    .min(1, '--lines is at least 1')
    .max(1_000_000, '--lines is at most 1000000'),
  every: z.number().min(0, '--every is at least 0').max(60_000, '--every is at most 60000 ms'),
});

/** Options as they are wanted, or a usage error. */
function checked<T>(schema: z.ZodType<T>, given: unknown): T {
  const options = schema.safeParse(given);
  if (!options.success)
    throw new CommanderError(2, 'usage', `error: ${options.error.issues[0].message}`);
  return options.data;
}

function answer(
  file: string,
  table: { ok: true; text: string } | { ok: false; why: string },
): string {
  if (!table.ok) throw new BadInput(`${file}: ${table.why}`);
  return table.text;
}

function program(print: (text: string) => void): Command {
  const havrik = new Command('havrik')
    .description(
      'Suspension and steering geometry from havrik-build files, and backups of all builds',
    )
    .exitOverride();
  havrik
    .command('sweep')
    .description('move one wheel through its travel and print every quantity')
    .argument('<file>', 'a .havrik.json file')
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(['left', 'right']).default('left'))
    .option('--from <mm>', 'lowest travel, − in droop (default: full droop)', number)
    .option('--to <mm>', 'highest travel, + in bump (default: full bump)', number)
    .option('--step <mm>', 'between positions', number, 10)
    .option('--rack <mm>', 'rack, mm, or drop arm, degrees, + to the left', number, 0)
    .option(
      '--opposite',
      'the other wheel goes down as this one goes up: roll, of one axle under both',
    )
    .addOption(new Option('--format <format>').choices(['csv', 'json']).default('csv'))
    .action((file: string, given: unknown) => {
      print(answer(file, sweepTable(readBuild(file), checked(sweepOptions, given))));
    });
  havrik
    .command('steer')
    .description('steer both front wheels from lock to lock and print what they do')
    .argument('<file>', 'a .havrik.json file')
    .option('--travel <mm>', 'of both wheels, + in bump', number, 0)
    .option(
      '--from <at>',
      'rack, mm, or drop arm, degrees, − to the right (default: as far as it goes)',
      number,
    )
    .option('--to <at>', 'the same, + to the left (default: as far as it goes)', number)
    .option('--step <mm>', 'between positions', number, 2)
    .addOption(new Option('--format <format>').choices(['csv', 'json']).default('csv'))
    .action((file: string, given: unknown) => {
      print(answer(file, steerTable(readBuild(file), checked(steerOptions, given))));
    });
  havrik
    .command('null')
    .description(
      'find where the tie rod’s or drag link’s joints leave the toe alone over the travel',
    )
    .argument('<file>', 'a .havrik.json file')
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(['left', 'right']).default('left'))
    .option(
      '--free <coordinates>',
      'what may move, as tieRodInner.out,tieRodInner.up (default: the file’s freedoms, or these; of a drag link dragLinkInner.ahead,dragLinkInner.up)',
    )
    .option('--within <mm>', 'how far each may go either way', number, 60)
    .addOption(
      new Option(
        '--pick <which>',
        'the least work, the least on paper, or the least when it is built',
      ).choices(['work', 'paper', 'built']),
    )
    .addOption(new Option('--format <format>').choices(['text', 'json']).default('text'))
    .action((file: string, given: unknown) => {
      print(answer(file, nullReport(readBuild(file), checked(nullOptions, given))));
    });
  havrik
    .command('map')
    .description('toe range over the travel with a joint at each place of a square')
    .argument('<file>', 'a .havrik.json file')
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(['left', 'right']).default('left'))
    .addOption(new Option('--plane <plane>').choices(PLANE_NAMES).default('inner-out-up'))
    .option('--size <mm>', 'either way from the present place', number, 40)
    .option('--n <count>', 'places each way', number, 41)
    .addOption(new Option('--format <format>').choices(['csv', 'json']).default('csv'))
    .action((file: string, given: unknown) => {
      print(answer(file, mapTable(readBuild(file), checked(mapOptions, given))));
    });
  havrik
    .command('column')
    .description('turn the column’s handwheel and print what the pinion does, or how to clock it')
    .argument('<file>', 'a .havrik.json file')
    .option('--from <degrees>', 'handwheel, − to the right (default: a turn)', number)
    .option('--to <degrees>', 'the same, + to the left (default: a turn)', number)
    .option('--step <degrees>', 'between positions', number, 5)
    .option('--clock', 'say how each shaft is clocked for the least ripple, and what that leaves')
    .addOption(new Option('--format <format>').choices(['csv', 'json']).default('csv'))
    .action((file: string, given: unknown) => {
      print(answer(file, columnTable(readBuild(file), checked(columnOptions, given))));
    });
  havrik
    .command('damper')
    .description('move one wheel through its travel and print what its damper and spring do')
    .argument('<file>', 'a .havrik.json file')
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(['left', 'right']).default('left'))
    .option('--from <mm>', 'lowest travel, − in droop (default: full droop)', number)
    .option('--to <mm>', 'highest travel, + in bump (default: full bump)', number)
    .option('--step <mm>', 'between positions', number, 5)
    .addOption(new Option('--format <format>').choices(['csv', 'json']).default('csv'))
    .action((file: string, given: unknown) => {
      print(answer(file, damperTable(readBuild(file), checked(damperOptions, given))));
    });
  havrik
    .command('loads')
    .description('estimate what every part of a corner carries in its worst case: no approval')
    .argument('<file>', 'a .havrik.json file')
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(['left', 'right']).default('left'))
    .addOption(new Option('--format <format>').choices(['csv', 'json']).default('csv'))
    .action((file: string, given: unknown) => {
      print(answer(file, loadsTable(readBuild(file), checked(loadsOptions, given))));
    });
  havrik
    .command('sheets')
    .description('write all sheets at full size as PDF, drawings as DXF and SVG, tables as CSV')
    .argument('<file>', 'a .havrik.json file')
    .requiredOption('--out <folder>', 'the folder that they are written into')
    .addOption(new Option('--paper <paper>').choices(PAPERS).default('A4'))
    .option('--replace', 'write over files of the same names')
    .action(async (file: string, given: unknown) => {
      print(await writeSheets(readBuild(file), checked(sheetsOptions, given)));
    });
  havrik
    .command('parts')
    .description('list all that is made and bought for the axles')
    .argument('<file>', 'a .havrik.json file')
    .addOption(new Option('--format <format>').choices(['csv', 'json']).default('csv'))
    .action((file: string, given: unknown) => {
      print(partsTable(readBuild(file), checked(partsOptions, given).format));
    });
  havrik
    .command('report')
    .description('write the build book, and say what was not checked')
    .argument('<file>', 'a .havrik.json file')
    .requiredOption('--out <file>', 'a new .pdf or .json file')
    .option('--against <variant>', 'hold the layout against this variant of the build')
    .addOption(new Option('--paper <paper>').choices([...PAPERS]).default('A4'))
    .option('--replace', 'write over a file that is there')
    .action(async (file: string, given: unknown) => {
      print(await writeReport(readBuild(file), checked(reportOptions, given)));
    });
  havrik
    .command('kinds')
    .description('list the kinds of corner and their points')
    .action(() => print(kindsList()));
  havrik
    .command('check')
    .description('say whether a file is sound and how much it bump-steers')
    .argument('<file>', 'a .havrik.json file')
    .action((file: string) => print(checkReport(readBuild(file))));
  havrik
    .command('check-car')
    .description('say whether readings of the car on its stands fit, and what to do next')
    .argument('<file>', 'a .havrik.json file')
    .argument(
      '<readings>',
      'a CSV: travel_mm, method, value, unit, plus_minus; may be side, going, round',
    )
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(READ_SIDES).default('left'))
    .addOption(
      new Option('--on <what>', 'what the instruments touch').choices(TOUCHED).default('tyre'),
    )
    .addOption(
      new Option('--moved <what>', 'the wheel with the car on stands, or the chassis')
        .choices(['wheel', 'chassis'])
        .default('wheel'),
    )
    .option('--span <mm>', 'between the front and the rear mark: tape and strings', number)
    .option('--wall <mm>', 'from the hub to the wall, − behind', number)
    .option('--wall2 <mm>', 'to the second wall', number)
    .option('--dial-span <mm>', 'between the dial gauges', number)
    .option('--height-off <mm>', '± of a height', number)
    .option('--fitted <moves...>', 'what was fitted before each later round: tieRodOuter.up=3.2')
    .addOption(new Option('--format <format>').choices(['text', 'json']).default('text'))
    .action((file: string, readings: string, given: unknown) => {
      const options = checked(checkCarOptions, given);
      const csv = { path: readings, text: textOf(readings) };
      print(checkCarReport(readBuild(file), csv, options));
    });
  havrik
    .command('setup')
    .description('what every adjuster of a wheel does; turns and washers to what is wanted')
    .argument('<file>', 'a .havrik.json file')
    .option('--want <figures>', 'degrees, as camber=-1.5,caster=6,toe=0.1')
    .option('--measured <figures>', 'as the car was read; as drawn what is not given')
    .option(
      '--lower <mm>',
      'what putting the car so much lower does, and what gets it back',
      number,
    )
    .option('--rack-off <mm>', 'how far the rack stands off its middle, + left', number)
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(['left', 'right']).default('left'))
    .addOption(new Option('--format <format>').choices(['text', 'json']).default('text'))
    .action((file: string, given: unknown) =>
      print(setupReport(readBuild(file), checked(setupOptions, given))),
    );
  havrik
    .command('stand-in')
    .description('speak as an instrument does that stands on a virtual car, a line a reading')
    .addOption(new Option('--device <device>').choices(INSTRUMENT_KINDS).makeOptionMandatory())
    .option('--car <file>', 'a .havrik.json file, or demo', 'demo')
    .addOption(new Option('--axle <axle>').choices(['front', 'rear']).default('front'))
    .addOption(new Option('--side <side>').choices(['left', 'right']).default('left'))
    .option('--travel <mm>', 'where the wheel stands, + in bump', number, 0)
    .addOption(new Option('--trouble <kind>').choices(TROUBLE_NAMES).default('none'))
    .option('--seed <n>', 'which virtual car', number, 1)
    .option('--lines <n>', 'how many moments', number, 20)
    .option('--every <ms>', 'between them', number, 200)
    .action((given: unknown) => standIn(checked(standInOptions, given), print));
  havrik
    .command('backup')
    .description('write every build, kept save and part into one new file; Havrik may be running')
    .argument('<file>', 'a new file, as builds-2026-03-01.zip')
    .action(async (file: string) => print(await backupTo(file)));
  havrik
    .command('restore')
    .description('put a backup in the database’s place; the old one is kept. Stop Havrik first')
    .argument('<file>', 'a backup')
    .action(async (file: string) => print(await restoreFrom(file)));
  havrik.commands.forEach((command) =>
    command.exitOverride().configureOutput({ outputError: () => undefined }),
  );
  return havrik.configureOutput({ outputError: () => undefined });
}

/** Runs the command line. Exit codes: 0 done, 1 bad input, 2 usage. */
export async function run(
  argv: string[],
  print: (text: string) => void,
  complain: (text: string) => void,
): Promise<0 | 1 | 2> {
  const err = (text: string) => complain(plain(text));
  try {
    const command = program((text) => print(plain(text)));
    if (argv.length === 0) {
      err(command.helpInformation());
      return 2;
    }
    await command.parseAsync(argv, { from: 'user' });
    return 0;
  } catch (error) {
    if (error instanceof BadInput) {
      err(`${error.message}\n`);
      return 1;
    }
    if (!(error instanceof CommanderError)) throw error;
    if (error.exitCode === 0) return 0;
    err(`${error.message}\nTry: npm run -s havrik -- --help\n`);
    return 2;
  }
}
