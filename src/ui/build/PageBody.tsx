import { styled } from '@mui/material/styles';
import { memo, useMemo, useState } from 'react';
import type { ComponentType } from 'react';
import { pointsKey, pointsOf } from '@/core/kinematics/axle';
import { briefOf } from '@/core/model/brief';
import { openVariantOf } from '@/core/model/variants';
import type { AxleName } from '@/core/model/build';
import type { Point, PointName } from '@/core/model/points';
import { isOfSketch, say, unsay } from '@/core/model/sketch';
import type { Opened } from '@/server/reading';
import { Floor } from '../floor/Floor';
import type { Strings } from '../floor/strings';
import { useChecks } from '../stations/check/checkStore';
import { TablePreview } from '../points/TablePreview';
import { VariantNotes } from '../variants/VariantNotes';
import { comparedIn } from '../variants/compared';
import type { EditPoints } from '../stations/rack/PointsTable';
import type { RackPanelProps } from '../stations/rack/Rack';
import { stationsOf } from '../stations/list';
import { UNSEEN } from '../theme';
import { OfSketch } from '../verdict';
import { Traces } from '../traces/Traces';
import { useStable } from '../useStable';
import { Dialogs } from './Dialogs';
import { openDialog } from './dialogs';
import { commandsOf } from './commandList';
import { Figures } from './Figures';
import { showLengths } from './showLengths';
import { SaveNotes } from './SaveNotes';
import { Parting } from './Parting';
import { SketchNote } from './SketchNote';
import { StationRail } from './StationRail';
import { TopBar } from './TopBar';
import { WhichWheel } from './WhichWheel';
import { Column, Desk, Middle, Under, Whole } from './frame';
import { useAutosave } from './useAutosave';
import { useBands } from './useBands';
import { useBuild, useBuildContext } from './useBuildStore';
import { useCalm } from './useCalm';
import { useCorner } from './useCorner';
import { useFiles } from './useFiles';
import { Keys } from './Keys';
import { useNulls } from './useNulls';
import { useOnFloor } from './useOnFloor';
import { THINNEST, useShim } from './useShim';
import { useStationStates } from './useStationStates';
import { useGuides } from './useGuides';
import { useSteps } from './useSteps';
import { useTrial } from './useTrial';
import { goTo, usePlace } from './place';
import { useView } from './viewStore';
import { useDrawnAs, useWheel } from './useWheel';
import type { Station } from '@/core/judging/stations';

/** The page of the open build: floor, figures, pad and curves around the station that is open. */
export function PageBody({ id, version }: Omit<Opened, 'build'>) {
  const context = useBuildContext();
  const build = useBuild((state) => state.build);
  const edit = useBuild((state) => state.edit);
  const steps = useSteps(context);
  const view = useView();
  const { show, unit } = view;
  const saving = useAutosave(context, id, version);
  const files = useFiles();
  const [opened] = useState(build);

  usePlace(id);

  const wheel = useWheel(build);
  const { axle, side, design, points, steerRange } = wheel;
  // What is selected on one axle may be no point of another kind's.
  const selected = view.selected !== null && view.selected in points ? view.selected : null;
  const rack = Math.max(-steerRange, Math.min(steerRange, view.rack));
  // A wheel without travel is looked at where it stands.
  const travel = wheel.travels ? view.travel : 0;
  const opposite = view.against === 'roll';
  const position = useMemo(() => ({ travel, rack, opposite }), [travel, rack, opposite]);

  const corner = useCorner(wheel, position);
  const against = comparedIn(build, view.compared);
  const before = useCorner(useDrawnAs(wheel, (against ?? opened)[axle]), position);
  const compared = against && before;
  const shim = useShim(build, wheel);
  const stations = useMemo(
    () => stationsOf({ kind: design.kind, rack: design.rack, dropArm: design.dropArm }),
    [design.kind, design.rack, design.dropArm],
  );
  // An axle of another kind may have no such station.
  const open = stations.find(({ id }) => id === view.station) ?? stations.find(isOfArms)!;
  const station = open.id;
  const trial = useTrial(design, station);
  const tried = useDrawnAs(wheel, trial.tried);
  const proposed = useCorner(shim.proposed ?? tried, position);
  const { targets } = briefOf(build);
  const variant = openVariantOf(build);

  // The floor keeps up with the hand; figures and curves follow it, verdicts and the station wait for its rest.
  const shown = useMemo(() => ({ build, wheel, corner }), [build, wheel, corner]);
  const calm = useCalm(shown);
  // Of coupled wheels only one has the drag link.
  const hasRod = wheel.type.tieRod !== null && wheel.travels;
  const nulls = useNulls(station === 'rack' && hasRod, calm.wheel);
  const { clearances, steering, states: judged, articulations } = useStationStates(calm);
  const checked = useChecks(({ buildId, standing }) => (buildId === id ? standing : null));
  const states = useMemo(
    () => (checked ? { ...judged, check: checked } : judged),
    [judged, checked],
  );

  const guides = useGuides(id, calm, states);

  const { joints, shaft, keepOuts } = useOnFloor(build, wheel, corner, articulations);

  // What nobody has set is shown, and not judged.
  const ofSketch = isOfSketch(build, design);
  const { bands: found } = useBands(build, wheel, rack);
  const bands = ofSketch ? null : found;
  const handleFind = useStable(() => hasRod && corner.bumpSteer && shim.find());
  const handleSelect = useStable((selected: typeof view.selected) => show({ selected }));
  const handlePoints: EditPoints = useStable((change, step, said = [], unsaid) =>
    edit((draft) => {
      const target = draft[axle]!;
      change(target[pointsKey(target, side)]!);
      say(target, ...said);
      if (unsaid !== undefined) unsay(target, unsaid);
    }, step),
  );
  const handleMove = useStable((name: PointName, to: Point, step: string) =>
    handlePoints((edited) => void (edited[name] = to), step),
  );
  const handleOwn = useStable((own: boolean) =>
    edit((draft) => {
      const target = draft[axle]!;
      if (own) target.rightPoints = structuredClone(pointsOf(design, 'right'));
      else delete target.rightPoints;
    }),
  );
  const menu = useMemo(
    () => [
      ...files.entries(axle, side),
      { label: 'What the figures mean', act: () => openDialog('figures') },
      { label: 'Units', act: () => openDialog('units') },
      { label: 'Do by name (Ctrl+K)', act: askByName },
      { label: 'Keys (?)', act: openKeys },
    ],
    [files, axle, side],
  );
  const commands = useMemo(
    () =>
      commandsOf({
        stations,
        steps,
        menu,
        hasRear: Boolean(build.rear),
        unit,
        travel: wheel.travel,
      }),
    [stations, steps, menu, build.rear, unit, wheel.travel],
  );
  const handleTakeShim = useStable(() => {
    const raise = shim.proposal?.raise ?? 0;
    if (Math.abs(raise) >= THINNEST) shim.take(raise);
  });
  const handlePutAway = useStable(() => trial.look(null));

  const heading = `${open.name}: ${build.name}`;
  const trouble = corner.reading.ok ? '' : capital(corner.reading.why);
  const which = (
    <WhichWheel
      axle={axle}
      side={side}
      hasRear={Boolean(build.rear)}
      own={Boolean(design.rightPoints)}
      onShow={goTo}
      onOwn={handleOwn}
    />
  );
  return (
    <OfSketch.Provider value={ofSketch}>
      <Whole>
        <TopBar unit={unit} steps={steps} onUnit={showLengths} menu={menu} />
        <StationRail
          station={station}
          stations={stations}
          states={states}
          unit={unit}
          guides={guides}
          onOpen={openStation}
        />
        {'desk' in open.panel && (
          <Desk aria-label="Station" data-wide={open.panel.wide}>
            <Unseen>{heading}</Unseen>
            {open.panel.ofOneWheel && which}
            <open.panel.desk
              build={build}
              wheel={wheel}
              unit={unit}
              bands={bands}
              onEdit={edit}
              onAxle={showAxle}
            />
          </Desk>
        )}
        {'underFloor' in open.panel && (
          <Middle>
            <Unseen>{heading}</Unseen>
            <Floor
              wheel={wheel}
              drawn={corner.drawn}
              proposed={proposed?.drawn ?? null}
              compared={compared?.drawn ?? null}
              trouble={trouble}
              unit={unit}
              selected={selected}
              ghosts={corner.ghosts}
              atRest={position.travel === 0 && rack === 0}
              values={corner.reading.ok ? corner.reading.value : null}
              strings={view.strings}
              keepOuts={keepOuts}
              dimensions={station === 'wheel'}
              states={joints}
              nulls={view.strings.nulls ? nulls : null}
              shaft={shaft}
              onStrings={pickStrings}
              onMove={handleMove}
              onSelect={handleSelect}
            />
            <Parting />
            <Under style={{ height: view.under }}>
              {/* Over lock there are the steering station's curves. */}
              {wheel.travels && (
                <Traces
                  station={station}
                  {...shown}
                  proposed={proposed}
                  compared={compared}
                  bands={bands}
                  targets={targets}
                  against={view.against}
                  position={position}
                  unit={unit}
                />
              )}
              <Column aria-label="Station">
                {/* The curve's heading stands before the station's own where there is one. */}
                {!wheel.travels && <Unseen as="h2">{open.name}</Unseen>}
                {which}
                <VariantNotes
                  name={variant.name}
                  frozen={variant.frozen}
                  against={against?.name ?? null}
                  onEdit={edit}
                  onStopComparing={stopComparing}
                />
                <SketchNote build={calm.build} axle={axle} selected={selected} onEdit={edit} />
                <Panel
                  of={open.panel.underFloor}
                  build={calm.build}
                  wheel={calm.wheel}
                  targets={targets}
                  unit={unit}
                  selected={selected}
                  onSelect={handleSelect}
                  onPoints={handlePoints}
                  onEdit={edit}
                  tried={trial.tried}
                  onTry={trial.look}
                  bumpSteer={calm.corner.bumpSteer}
                  clearances={clearances}
                  nulls={nulls}
                  shim={shim}
                  onFind={handleFind}
                  onShow={show}
                />
              </Column>
            </Under>
          </Middle>
        )}
        {!('desk' in open.panel && open.panel.wide) && (
          <Figures
            {...shown}
            proposed={proposed}
            before={before}
            against={against?.name ?? null}
            steering={steering}
            targets={targets}
            bands={bands}
            position={position}
            trouble={'desk' in open.panel ? trouble : ''}
            unit={unit}
          />
        )}
        <Keys
          limits={wheel.travel}
          steerRange={steerRange}
          hasShim={shim.proposal !== null}
          looks={trial.tried !== null}
          onFind={handleFind}
          onTake={handleTakeShim}
          onLeave={shim.leave}
          onPutAway={handlePutAway}
          onUndo={steps.undo}
          onRedo={steps.redo}
          onHelp={openKeys}
          onAsk={askByName}
        />
        <SaveNotes saving={saving} />
        <TablePreview unit={unit} />
        <Dialogs commands={commands} />
      </Whole>
    </OfSketch.Provider>
  );
}

const { show: change } = useView.getState();
const openKeys = () => openDialog('keys');
const askByName = () => openDialog('commands');
const stopComparing = () => change({ compared: null });
const pickStrings = (strings: Strings) => change({ strings });
const isOfArms = ({ id }: { id: Station }) => id === 'arms';
const openStation = (station: Station) => goTo({ station });
const showAxle = (axle: AxleName) => goTo({ axle });

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** A station under the floor, which is drawn anew only where something of it has changed. */
const Panel = memo(function Panel({
  of: Station,
  ...props
}: RackPanelProps & { of: ComponentType<RackPanelProps> }) {
  return <Station {...props} />;
});

/** The page's heading, for those who hear it. */
const Unseen = styled('h1')(UNSEEN);
