import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import type { Build } from '@/core/model/build';
import { rackOffSchema } from '@/core/model/setups';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { setupsOf } from '@/core/setup/book';
import { centreRack, writeRackOff } from '@/core/setup/centring';
import { moveInWords, signed } from '@/core/setup/words';
import { LengthField } from '../../fields/NumberField';
import { useAngles } from '../../fields/useAngles';

/** A rack that stands off its middle with the wheels straight: both rods, one against the other. */
export function RackOff({
  build,
  unit,
  onEdit,
}: {
  build: Build;
  unit: LengthUnit;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const said = useAngles();
  const off = setupsOf(build).rackOff;
  const turned = useMemo(() => centreRack(build, off ?? 0), [build, off]);
  if (!turned) return null;
  const put = (to: number | undefined, step?: string) =>
    onEdit((draft) => writeRackOff(draft, to), step);
  return (
    <Box component="section" aria-label="The rack’s middle" sx={{ display: 'grid', gap: 0.75 }}>
      <Typography variant="h3">Before toe: is the rack in its middle?</Typography>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'flex-start', pt: 0.5 }}>
        <LengthField
          label="off its middle, + left"
          value={off}
          unit={unit}
          schema={rackOffSchema}
          onValue={(to, visit) => put(to, visit)}
          onClear={(visit) => put(undefined, visit)}
          width={180}
        />
        {off !== undefined && (
          <Button variant="outlined" onClick={() => put(undefined)}>
            It stands in the middle now
          </Button>
        )}
      </Box>
      <Typography variant="caption" color="text.secondary">
        Wheels straight ahead, measured out of the housing on both sides: half of the difference.
        Empty: it stands in its middle.
      </Typography>
      {off !== undefined && off !== 0 && (
        <div data-centring>
          <Typography variant="body2">
            It ends {lengthIn(Math.abs(off), unit, 1)} sooner to the {off > 0 ? 'left' : 'right'}{' '}
            than to the other side. To bring it to its middle with toe where it is:
          </Typography>
          <Box component="ul" sx={{ m: 0, pl: 2.5 }}>
            {turned.map(({ side, adjuster, exact, by, toe, atEnd }) => (
              <li key={side}>
                {side} {moveInWords(build.front, { adjuster, by }, unit)}:{' '}
                {said(`toe ${signed(toe.before)} → ${signed(toe.after)}`)}
                {atEnd &&
                  `; △ its thread ends there, ${lengthIn(Math.abs(exact - by), unit, 1)} are missing`}
                {adjuster.assumed && ' (a usual thread of 3 mm a turn is taken)'}.
              </li>
            ))}
          </Box>
          <Typography variant="caption" color="text.secondary">
            Lock both nuts, see the thread in the witness holes, turn from lock to lock: neither end
            may be the rod’s. These turns are not counted among those below: what is left of the
            threads is told without them.
          </Typography>
        </div>
      )}
    </Box>
  );
}
