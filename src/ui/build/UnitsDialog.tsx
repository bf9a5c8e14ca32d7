import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import Typography from '@mui/material/Typography';
import { memo } from 'react';
import {
  LENGTH_UNITS,
  anglesIn,
  lengthIn,
  printAngle,
  printLength,
  readable,
  unitName,
} from '@/core/model/units';
import { Choice } from '../fields/Choice';
import { Table } from '../fields/Table';
import { ANGLES_IN_WORDS, LENGTHS_IN_WORDS, showLengths } from './showLengths';
import { useView } from './viewStore';

/** In what lengths and angles are shown in this window, with examples; and what may be typed whatever is shown. */
export const UnitsDialog = memo(function UnitsDialog({
  open,
  onClose,
}: {
  open: boolean;
  onClose: () => void;
}) {
  const { unit, angles, show } = useView();
  const field = (mm: number) => `${readable(printLength(mm, unit))} ${unitName(unit)}`;
  return (
    <Dialog open={open} onClose={onClose} maxWidth="sm" fullWidth aria-labelledby="units-title">
      <DialogTitle id="units-title">Units</DialogTitle>
      <DialogContent>
        <Typography variant="h3" sx={{ mb: 0.5 }}>
          Lengths
        </Typography>
        <Choice
          label="Show lengths in"
          value={unit}
          options={LENGTH_UNITS}
          words={LENGTHS_IN_WORDS}
          onPick={showLengths}
        />
        <Typography variant="h3" sx={{ mt: 2, mb: 0.5 }}>
          Angles
        </Typography>
        <Choice
          label="Show angles in"
          value={angles}
          options={['deg', 'min']}
          words={ANGLES_IN_WORDS}
          onPick={(next) => show({ angles: next })}
        />
        <Table aria-label="How they are shown" style={{ marginTop: 16 }}>
          <thead>
            <tr>
              <th scope="col">What</th>
              <th scope="col">is shown as</th>
            </tr>
          </thead>
          <tbody>
            {[
              ['a tube, 312.8 mm, said to a tenth', lengthIn(312.8, unit, 1)],
              ['travel, 38 mm, said to whole millimetres', lengthIn(38, unit)],
              ['a field with 88.9 mm in it', field(88.9)],
              ['a field with 90 mm in it', field(90)],
              ['toe of 0.25°', anglesIn('0.25°', angles)],
              [
                'a field with 6.5° of caster in it',
                angles === 'deg' ? '6.5°' : printAngle(6.5, angles),
              ],
            ].map(([what, as]) => (
              <tr key={what}>
                <td>{what}</td>
                <td className="number">{as}</td>
              </tr>
            ))}
          </tbody>
        </Table>
        <Typography variant="body2" color="text.secondary" sx={{ mt: 1.5 }}>
          A fraction is shown where it is that length, or the next one with what is over or short of
          it; a field never rounds what was typed. Locks, joint angles and curves stay in decimal
          degrees, sheets and the build book in mm. Whatever is shown, a length may be typed as
          12.5, 12.5 mm, 1/2&quot; or 3 7/16 in, an angle as 1.5, 1° 30&apos; or 12&apos; (a bare
          number is degrees). Files are always mm and degrees.
        </Typography>
      </DialogContent>
      <DialogActions>
        <Button onClick={onClose}>Close</Button>
      </DialogActions>
    </Dialog>
  );
});
