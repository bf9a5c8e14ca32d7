import v8 from 'node:v8';
import { Bench } from 'tinybench';
import { POSITIONS } from '../src/core/motion/bumpSteer';
import { findAckermann } from '../src/core/ackermann/findAckermann';
import { finish } from '../src/core/find/finish';
import { startingBrief, startingTargets } from '../src/core/model/brief';
import { lockLimits } from '../src/core/steering/lockLimits';
import { shim } from '../src/core/bumpsteer/shim';
import { armsFromCamber } from '../src/core/arms/armsFromCamber';
import { clearancesOf } from '../src/core/clearance/room';
import { blankBuild } from '../src/core/model/starts';
import { checkUp } from '../src/core/check/checkUp';
import { blamedOf } from '../src/core/check/words';
import { prepareColumn } from '../src/core/column/chain';
import type { ColumnChain, ColumnLine } from '../src/core/column/chain';
import { findClocking } from '../src/core/column/clocking';
import { findPath } from '../src/core/column/findPath';
import { findMounts } from '../src/core/damper/findMounts';
import { damperSweep } from '../src/core/damper/sweep';
import { loadsOf } from '../src/core/loads/loads';
import { bumpMap } from '../src/core/bumpsteer/bumpMap';
import { findNull } from '../src/core/bumpsteer/findNull';
import { STARTING_WANTED } from '../src/core/model/nullWanted';
import { CORNER_TYPES } from '../src/core/corners/kinds';
import type { AxleCorner } from '../src/core/kinematics/axle';
import { runSweep, travelSweep } from '../src/core/motion/sweep';
import { UPRIGHT_SIZE } from '../src/core/kinematics/corner';
import { lockToLock, rackPositions } from '../src/core/steering/lockToLock';
import { planNow } from '../src/core/plan/states';
import { bookOf } from '../src/core/report/book';
import { bookPdf } from '../src/core/report/paper';
import { adjustersOf } from '../src/core/setup/adjusters';
import { Setting } from '../src/core/setup/setting';
import { setUp } from '../src/core/setup/solve';
import { bundleFiles, bundleOf } from '../src/core/shop/bundle';
import { headingOf, sheetEntries } from '../src/core/shop/sheetsOf';
import { pagesOf } from '../src/core/sheets/pages';
import { pageSvg } from '../src/core/sheets/svg';
import { SAMPLES } from '../src/core/tolerance/bands';
import { MonteCarlo } from '../src/core/tolerance/monteCarlo';
import { sensitivities } from '../src/core/tolerance/sensitivity';
import { prepared, wheelIn } from '../src/test/layouts';
import { referencePose } from '../src/test/referenceSolver';
import {
  TWELVE,
  armsToFind,
  mountsToFind,
  demoRoadster,
  finderRatio,
  nullQuality,
  rodToFind,
  withRoom,
} from './benchLayouts';
import { listInChromium } from './benchList';
import { checkThousand } from './benchCheck';
import { inChromium } from './benchPage';
import { wheelOf } from '../src/core/kinematics/wheel';

/** A path past an engine: joints of 12 to 31 degrees in planes of their own. */
const COLUMN: ColumnLine = {
  places: [
    [-900, 330, 820],
    [-620, 330, 690],
    [-470, 300, 560],
    [-300, 345, 440],
    [-190, 350, 330],
    [-60, 320, 290],
  ],
  kinds: ['single', 'single', 'single', 'single'],
  clocks: [0, 0, 0],
  start: 0,
};
/** As many before they come again. */
const BEAM_POSITIONS = 500;

const ACKERMANN = { small: 80, full: 80, arm: 40, ahead: 30, height: 20, spacing: 0 };

/** Travel to sweep, mm; a kart's wheel is posed again and again where it stands. */
const overTravel = ({ drawn }: AxleCorner, off = 0) =>
  drawn.type.noTravel ? { bump: 0, droop: 0 } : { bump: 55 + off, droop: 55 - off };

/**
 * Prints the figures that speed is judged by. Figures of one machine at one time: compare medians of
 * runs on the same one.
 */
async function main(): Promise<void> {
  const build = blankBuild('bench');
  const { front, travel } = build;
  const axle = prepared(front);
  const { left } = axle;
  const racks = rackPositions(-axle.steerRange, axle.steerRange, 81);
  const sweep = travelSweep(travel, 41);
  const firstPictures: number[] = [];
  const innerFree = rodToFind(false);
  const rodFree = rodToFind(true);
  const search = (of: typeof build, cars: boolean) => {
    const placing = cars ? STARTING_WANTED.placing : null;
    const finding = findNull(of, wheelOf(of, 'front', 'left'), {
      ...STARTING_WANTED,
      lock: cars,
      placing,
    });
    let step = finding.next();
    while (!step.done) step = finding.next();
    return step.value;
  };
  const free = armsToFind();
  const roomy = withRoom();
  const kart = blankBuild('bench', 'kingpin');
  const kartAxle = prepared(kart.front);
  const turns = rackPositions(-kartAxle.steerRange, kartAxle.steerRange, 81);
  const { chain: column } = prepareColumn(COLUMN) as { chain: ColumnChain };
  const roadster = demoRoadster();
  const demoWheel = wheelOf(roadster, 'front', 'left');
  const [kept] = roadster.checks!;
  const check = () =>
    checkUp(roadster, { ...kept, travel: roadster.travel }, kept.readings, [0.25, 0.5, 1]);
  const checked = check();
  const mountsFree = mountsToFind(roadster);
  const beam = prepared(blankBuild('bench', 'beam').front);
  const posed = new Float64Array(UPRIGHT_SIZE);
  let moved = 0;
  const steered = blankBuild('bench');
  steered.brief = {
    ...startingBrief({ use: 'road' }),
    targets: { ...startingTargets({ use: 'road' }), lock: 28 },
  };

  const bench = new Bench({ time: 1500, warmupTime: 500 });
  bench
    .add('sweep, 41 positions, all quantities and slopes', () => void runSweep(left, sweep))
    .add('the same positions by the general-purpose solver', () => {
      for (const position of sweep.travel) referencePose(front, position, 0);
    })
    .add('lock to lock, 81 positions, both wheels', () =>
      lockToLock(axle, build.wheelbase, 0, racks),
    )
    .add('a kart lock to lock by its drop arm, 81 positions, both wheels', () =>
      lockToLock(kartAxle, kart.wheelbase, 0, turns),
    )
    .add('a beam’s position, both wheels, each at a travel of its own, steered', () => {
      moved = (moved + 1) % BEAM_POSITIONS;
      const [left, right, steer] = [41, 37, 12].map(
        (most, i) => most * Math.sin((moved * (i + 3)) / 17),
      );
      beam.left.corner.pose(left, steer, posed, right);
      beam.right.corner.pose(right, -steer, posed, left);
    })
    .add('Ackermann with bump steer, 5 freedoms', () => {
      finish(findAckermann(steered, ACKERMANN));
    })
    .add('Ackermann with bump steer, 6 freedoms', () => {
      finish(findAckermann(steered, { ...ACKERMANN, spacing: 15 }));
    })
    .add('what ends the lock, both ways, 2 bodies', () => {
      lockLimits(roomy, {
        left: wheelOf(roomy, 'front', 'left'),
        right: wheelOf(roomy, 'front', 'right'),
      });
    })
    .add('a column of 4 joints, 361 places of the handwheel', () => {
      for (let at = 0; at <= 360; at++) column.turn(at);
    })
    .add('the clocking of its 3 shafts', () => void findClocking(COLUMN))
    .add('a path for the roadster’s column, 3 joints at the most', () => {
      const path = findPath(roadster.front.column!, roadster.room, 'front', [0, 1, 0]);
      while (!path.next().done);
    })
    .add('a damper over its travel, 41 positions, and loads of 6 cases there', () => {
      damperSweep(demoWheel);
      loadsOf(roadster, demoWheel);
    })
    .add('mounts, 4 freedoms, 12 dampers', () => {
      const { found } = finish(findMounts(roadster, mountsFree, { ratio: 0.62 }, TWELVE));
      if (found.length === 0) throw new Error('no mounts');
    })
    .add('shim', () => void shim(wheelIn(front, 'left', travel)))
    .add('sensitivity list', () => void sensitivities(build, wheelOf(build, 'front', 'left')))
    .add('arms from camber, 3 ranges × 27 combinations of holes', () => {
      const finding = armsFromCamber(free, 'front', {
        gain: -1.1,
        rollCentre: 70,
        together: false,
      });
      while (!finding.next().done);
    })
    .add('null, 2 coordinates of the inner joint free', () => search(innerFree, false))
    .add('null, 4 ranges × 21 stacks of washers, with cars built', () => search(rodFree, true))
    .add('bump map, 81 × 81', () => {
      const map = bumpMap(wheelIn(front, 'left', travel), 'inner-out-up', 40, 81);
      const started = performance.now();
      let step = map.next();
      let first = 0;
      while (!step.done) {
        if (first === 0 && step.value.map.grain > 0) first = performance.now() - started;
        step = map.next();
      }
      firstPictures.push(first);
    })
    .add(
      'clearances, 45 positions, 2 bodies',
      () => void clearancesOf(roomy, wheelOf(roomy, 'front', 'left')),
    )
    .add('every sheet and file of a two-axle build', async () => {
      await bundleFiles(finish(bundleOf(roadster, '2026-01-01', 'A4')), roadster);
    })
    .add('the build book of a two-axle build as a PDF, figures and curves', async () => {
      const { checks = [] } = roadster;
      await bookPdf(finish(bookOf(roadster, { on: '2026-01-01', checks })), 'A4');
    })
    .add('a plan of a two-axle build: order, states, hours', () => void planNow(roadster))
    .add('a wheel set up: camber, caster and toe by its own adjusters', () => {
      const wheel = wheelOf(roadster, 'front', 'left');
      const setting = new Setting(wheel, adjustersOf(roadster, wheel));
      setUp(setting, { camber: -1.5, caster: 5, toe: 0.1 }, { camber: -1, toe: 0.2 });
    })
    .add('a check of 15 readings: fit, curve, next shim', () => void check())
    .add('the numbers that it blames, each let loose and solved anew', () => void blamedOf(checked))
    .add('one jig sheet on paper', () => {
      const jig = sheetEntries(roadster).find(({ id }) => id.endsWith('/jig'))!;
      pagesOf(jig.make(), headingOf(roadster, '2026-01-01'), 'A4').map(pageSvg);
    })
    .add(`${SAMPLES} cars × ${POSITIONS} positions with their bands, in one process`, () => {
      const cars = new MonteCarlo(build, wheelOf(build, 'front', 'left'), 0);
      cars.run(SAMPLES);
      cars.bands();
    });
  await bench.run();
  const medians = bench.tasks.map((task) => {
    if (task.result.state !== 'completed') throw new Error(`${task.name} did not finish`);
    const us = task.result.latency.p50 * 1000;
    console.log(`${task.name}: ${us.toFixed(us < 1000 ? 1 : 0)} µs (median)`);
    return us;
  });
  console.log(
    `bump map’s first picture: ${firstPictures.sort((a, b) => a - b)[firstPictures.length >> 1].toFixed(0)} ms (median)`,
  );
  console.log(nullQuality(search));
  console.log(finderRatio(search));
  console.log(`general-purpose solver / sweep: ${(medians[1] / medians[0]).toFixed(0)} times`);
  console.log(`memory allocated per position: ${bytesPerPosition(left).toFixed(2)} bytes`);
  for (const { kind } of CORNER_TYPES) {
    const corner = prepared(blankBuild('bench', kind).front).left;
    const us = microsecondsPerPosition(corner).toFixed(1);
    const bytes = bytesPerPosition(corner).toFixed(2);
    console.log(
      `${kind}: ${us} µs a position, all quantities and slopes, ${bytes} bytes allocated`,
    );
  }

  /** Median of several runs over the travel at a rack position. */
  function microsecondsPerPosition(side: AxleCorner): number {
    const over = travelSweep(overTravel(side), 41, side.drawn.type.tieRod ? 8.3 : 0);
    for (let run = 0; run < 300; run++) runSweep(side, over);
    const times = Array.from({ length: 9 }, () => {
      const start = performance.now();
      for (let run = 0; run < 200; run++) runSweep(side, over);
      return ((performance.now() - start) * 1000) / (200 * 41);
    });
    return times.sort((a, b) => a - b)[4];
  }

  function bytesPerPosition(side: AxleCorner): number {
    const runs = 4000;
    // Positions that are no whole numbers, which the engine would keep without allocating.
    const odd = travelSweep(overTravel(side, 0.7), 41, 1.37);
    const used = () => v8.getHeapStatistics().used_heap_size;
    let least = Infinity;
    for (let i = 0; i < 5; i++) {
      const before = used();
      for (let run = 0; run < runs; run++) runSweep(side, odd);
      const after = used();
      if (after >= before) least = Math.min(least, after - before);
    }
    return least / (runs * 41);
  }

  console.log(await checkThousand());
  await inChromium();
  await listInChromium();
}

void main();
