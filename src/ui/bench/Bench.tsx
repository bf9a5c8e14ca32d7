'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import ToggleButton from '@mui/material/ToggleButton';
import ToggleButtonGroup from '@mui/material/ToggleButtonGroup';
import Typography from '@mui/material/Typography';
import { useEffect, useMemo, useState } from 'react';
import { shim, withShim } from '@/core/bumpsteer/shim';
import type { Shim } from '@/core/bumpsteer/shim';
import { pointsKey, pointsOf, rackTravelOf } from '@/core/kinematics/axle';
import type { AxleName, Side } from '@/core/model/build';
import type { Points } from '@/core/model/points';
import type { Opened } from '@/server/reading';
import { Floor } from '../floor/Floor';
import { CyclePad } from '../pad/CyclePad';
import { Readouts } from '../readouts/Readouts';
import { Brief } from '../stations/brief/Brief';
import { PointsTable } from '../stations/rack/PointsTable';
import { ShimPanel } from '../stations/rack/ShimPanel';
import { PAPER } from '../theme';
import { ToeTrace } from '../traces/ToeTrace';
import { KeysHelp } from './KeysHelp';
import { StationRail } from './StationRail';
import { TopBar } from './TopBar';
import { createBuildStore } from './buildStore';
import { useAutosave } from './useAutosave';
import { BuildContext, useBuild, useBuildContext } from './useBuildStore';
import { useCorner } from './useCorner';
import { useFiles } from './useFiles';
import { useKeys } from './useKeys';
import { AT_REST, useView } from './viewStore';

/** One open build: floor, pad, readouts and trace around the station that is open. */
export function Bench({ id, version, build }: Opened) {
  const [store] = useState(() => createBuildStore(build));
  return (
    <BuildContext.Provider value={store}>
      <BenchBody id={id} version={version} />
    </BuildContext.Provider>
  );
}

function BenchBody({ id, version }: Omit<Opened, 'build'>) {
  const context = useBuildContext();
  const build = useBuild((state) => state.build);
  const edit = useBuild((state) => state.edit);
  const view = useView();
  const { show } = view;
  const save = useAutosave(context, id, version);
  const files = useFiles();
  const [help, setHelp] = useState(false);
  const [opened] = useState(build);

  useEffect(() => {
    void useView.persist.rehydrate();
    show(AT_REST);
  }, [show, id]);

  const axle: AxleName = build.rear ? view.axle : 'front';
  const design = build[axle] ?? build.front;
  const { side } = view;
  const rackTravel = rackTravelOf(design);
  const position = useMemo(
    () => ({ travel: view.travel, rack: rackTravel > 0 ? view.rack : 0 }),
    [view.travel, view.rack, rackTravel],
  );
  const corner = useCorner(design, side, build.travel, position);
  const before = useCorner(opened[axle] ?? opened.front, side, build.travel, position);

  const [found, setFound] = useState<{ design: unknown; shim: Shim | null } | null>(null);
  // A shim belongs to the layout it was found for; any edit puts it away.
  const proposal = found?.design === design ? found.shim : null;
  const proposed = useMemo(
    () => (proposal ? withShim(design, proposal.raise, side) : design),
    [design, proposal, side],
  );
  const shimmed = useCorner(proposed, side, build.travel, position);

  const find = () => setFound({ design, shim: shim(design, build.travel, side) });
  const leave = () => setFound(null);
  const take = (raise: number) => {
    edit((draft) => {
      const target = draft[axle]!;
      target[pointsKey(target, side)]!.tieRodOuter.up += raise;
    });
    leave();
  };
  const joint = rackTravel > 0 ? 'tie rod outer joint' : 'toe link outer joint';

  useKeys({
    limits: build.travel,
    rackTravel,
    hasShim: proposal !== null,
    onFind: () => corner.bumpSteer && find(),
    onTake: () => proposal && Math.abs(proposal.raise) >= 0.05 && take(proposal.raise),
    onLeave: leave,
    onUndo: context.undo,
    onRedo: context.redo,
    onHelp: () => setHelp(true),
  });

  const editPoints = (change: (points: Points) => void, step?: string) =>
    edit((draft) => {
      const target = draft[axle]!;
      change(target[pointsKey(target, side)]!);
    }, step);

  return (
    <Box
      sx={{
        display: 'grid',
        height: '100dvh',
        minHeight: 640,
        minWidth: 960,
        gridTemplateColumns: { xs: '128px minmax(0, 1fr) 232px', lg: '148px minmax(0, 1fr) 268px' },
        gridTemplateRows: '48px minmax(0, 1fr)',
      }}
    >
      <TopBar
        save={save}
        unit={view.unit}
        onUnit={(unit) => show({ unit })}
        menu={[...files.entries(axle, side), { label: 'Keys (?)', act: () => setHelp(true) }]}
      />
      <StationRail
        station={view.station}
        bumpSteer={corner.bumpSteer}
        onOpen={(station) => show({ station })}
      />
      <Box
        component="main"
        sx={{
          display: 'grid',
          gridTemplateRows: 'minmax(0, 1fr) 426px',
          minHeight: 0,
          minWidth: 0,
        }}
      >
        <Floor
          design={design}
          side={side}
          travel={build.travel}
          drawn={corner.drawn}
          proposed={proposal ? shimmed.drawn : null}
          trouble={corner.reading.ok ? '' : capital(corner.reading.why)}
          unit={view.unit}
          selected={view.selected}
          onSelect={(selected) => show({ selected })}
        />
        <Box
          sx={{
            display: 'grid',
            gridTemplateColumns: 'minmax(0, 1fr) minmax(430px, 1fr)',
            gap: 2,
            px: 2,
            py: 1.25,
            minHeight: 0,
          }}
        >
          <Box
            component="section"
            aria-label="Toe trace"
            sx={{ display: 'flex', flexDirection: 'column', minHeight: 0 }}
          >
            <Typography variant="h2" component="h2" sx={{ fontSize: 15 }}>
              Toe over the travel
              <Typography component="span" variant="caption" color="text.secondary" sx={{ ml: 1 }}>
                {unitWords(view.unit)}, bump up, toe-in right
                {position.rack !== 0 &&
                  `; rack ${Math.abs(position.rack)} mm ${position.rack > 0 ? 'left' : 'right'}`}
              </Typography>
            </Typography>
            <ToeTrace
              sweep={corner.sweep}
              rideToe={corner.rideToe}
              proposed={proposal ? shimmed : null}
              travel={build.travel}
              now={{
                travel: position.travel,
                toe: corner.reading.ok ? corner.reading.value.toe : null,
              }}
              unit={view.unit}
            />
          </Box>
          <Box sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, gap: 0.75 }}>
            <WhichWheel
              axle={axle}
              side={side}
              hasRear={Boolean(build.rear)}
              own={Boolean(design.rightPoints)}
              onShow={show}
              onOwn={(own) =>
                edit((draft) => {
                  const target = draft[axle]!;
                  if (own) target.rightPoints = structuredClone(pointsOf(design, 'right'));
                  else delete target.rightPoints;
                })
              }
            />
            {view.station === 'brief' ? (
              <Brief
                build={build}
                axle={axle}
                unit={view.unit}
                onEdit={edit}
                onAxle={(next) => show({ axle: next })}
              />
            ) : (
              <>
                <PointsTable
                  points={pointsOf(design, side)}
                  unit={view.unit}
                  steered={rackTravel > 0}
                  selected={view.selected}
                  onSelect={(selected) => show({ selected })}
                  onEdit={editPoints}
                />
                <ShimPanel
                  bumpSteer={corner.bumpSteer}
                  found={proposal}
                  hopeless={found?.design === design && found.shim === null}
                  unit={view.unit}
                  joint={joint}
                  onFind={find}
                  onTake={take}
                  onLeave={leave}
                />
              </>
            )}
          </Box>
        </Box>
      </Box>
      <Box
        component="aside"
        sx={{
          borderLeft: `1px solid ${PAPER.line}`,
          px: 2,
          py: 1.25,
          display: 'flex',
          flexDirection: 'column',
          gap: 1,
          minHeight: 0,
          overflow: 'auto',
        }}
      >
        <Readouts
          reading={corner.reading}
          opened={before.reading}
          sweep={corner.sweep}
          use={build.use}
          radius={design.tyre.radius}
          unit={view.unit}
        />
        <Box sx={{ flex: 1 }} />
        <CyclePad
          travel={position.travel}
          rack={position.rack}
          limits={build.travel}
          rackTravel={rackTravel}
          unit={view.unit}
          onMove={show}
        />
        <Typography variant="caption" color="text.secondary">
          Geometry for a prototype, not proof of strength. Have steering and suspension inspected as
          the law where you drive asks.
        </Typography>
      </Box>
      <KeysHelp open={help} onClose={() => setHelp(false)} />
    </Box>
  );
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);
const unitWords = (unit: 'mm' | 'in') => (unit === 'mm' ? 'mm' : 'inches');

/** Which wheel is shown and typed, and whether the right one has points of its own. */
function WhichWheel({
  axle,
  side,
  hasRear,
  own,
  onShow,
  onOwn,
}: {
  axle: AxleName;
  side: Side;
  hasRear: boolean;
  own: boolean;
  onShow: (change: { axle?: AxleName; side?: Side }) => void;
  onOwn: (own: boolean) => void;
}) {
  return (
    <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, minHeight: 30 }}>
      {hasRear && (
        <Choice
          label="Axle"
          value={axle}
          options={['front', 'rear']}
          onPick={(value) => onShow({ axle: value })}
        />
      )}
      <Choice
        label="Side"
        value={side}
        options={['left', 'right']}
        onPick={(value) => onShow({ side: value })}
      />
      <Typography variant="caption" color="text.secondary" sx={{ flex: 1, textAlign: 'right' }}>
        {own ? 'Each side has its own points.' : 'Right mirrors left.'}
      </Typography>
      <Button size="small" onClick={() => onOwn(!own)} sx={{ whiteSpace: 'nowrap', minWidth: 0 }}>
        {own ? 'Mirror the left' : 'Part the sides'}
      </Button>
    </Box>
  );
}

function Choice<T extends string>({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: T;
  options: T[];
  onPick: (value: T) => void;
}) {
  return (
    <ToggleButtonGroup
      exclusive
      size="small"
      value={value}
      onChange={(_, next: T | null) => next && onPick(next)}
      aria-label={label}
      sx={{ '& .MuiToggleButton-root': { py: 0.1, px: 1.1, color: PAPER.ink } }}
    >
      {options.map((option) => (
        <ToggleButton key={option} value={option}>
          {option}
        </ToggleButton>
      ))}
    </ToggleButtonGroup>
  );
}
