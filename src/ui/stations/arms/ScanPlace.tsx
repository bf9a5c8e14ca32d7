import Alert from '@mui/material/Alert';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { useState } from 'react';
import type { Vec } from '@/core/geometry/vec';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { coordinate, counted, label } from '@/core/model/wording';
import { alignTo, asItIs } from '@/core/scan/align';
import type { ScanSeen } from '@/workers/scan.worker';
import { z } from 'zod';
import { scanWorker } from '../../build/scanWorker';
import { Choice } from '../../fields/Choice';
import { LengthField, PlainField } from '../../fields/NumberField';
import { TextLine } from '../../fields/TextLine';
import { Fields, Said } from '../damper/parts';
import type { Carried } from './BodyDialog';

const UNITS = ['mm', 'cm', 'm', 'inch'] as const;
const MM = { mm: 1, cm: 10, m: 1000, inch: 25.4 };
const HOW = ['three marks', 'as it is'] as const;
const nameSchema = label();
const number = z.number().min(-1e6).max(1e6);
type Three = [Vec, Vec, Vec];
const NOWHERE: Three = [
  [0, 0, 0],
  [0, 0, 0],
  [0, 0, 0],
];
/** Marks that stay further off than this are looked at again, mm. */
const FAR_OFF = 3;
/** A scale that is further off than this is looked at again. */
const OFF_SCALE = 0.01;

/** How large a scan is, and where three of its marks lie in the car. */
export function ScanPlace({
  seen,
  unit,
  name: first,
  onTake,
}: {
  seen: ScanSeen;
  unit: LengthUnit;
  name: string;
  onTake: (carried: Carried, name: string) => void;
}) {
  const [of, setOf] = useState<(typeof UNITS)[number]>('mm');
  const [how, setHow] = useState<(typeof HOW)[number]>('three marks');
  const [scan, setScan] = useState<Three>(NOWHERE);
  const [car, setCar] = useState<Three>(NOWHERE);
  const [name, setName] = useState(first);
  const [busy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const by = MM[of];
  const aligned = how === 'three marks' ? alignTo(scan, car, by) : null;
  const alignment = how === 'as it is' ? asItIs(by) : (aligned?.alignment ?? null);
  const take = async () => {
    if (!alignment) return;
    setBusy(true);
    setTrouble('');
    try {
      const carried = await scanWorker().place(alignment);
      if ('why' in carried) setTrouble(`It could not be put there: ${carried.why}.`);
      else onTake(carried, name);
    } catch (error) {
      setTrouble(`It could not be put there: ${(error as Error).message}.`);
    } finally {
      setBusy(false);
    }
  };
  const mark = (which: 'scan' | 'car', i: number) => {
    const [marks, setMarks] = which === 'scan' ? [scan, setScan] : [car, setCar];
    const words = which === 'scan' ? ['x', 'y', 'z'] : ['ahead', 'left', 'up'];
    return words.map((word, k) => {
      const given = {
        label: `${which === 'scan' ? 'scan' : 'car'} ${i + 1}, ${word}`,
        value: marks[i][k],
        onValue: (value: number) =>
          setMarks(
            (now) =>
              now.map((p, n) =>
                n === i ? p.map((x, m) => (m === k ? value : x)) : p,
              ) as unknown as Three,
          ),
        width: 124,
      };
      return which === 'scan' ? (
        <PlainField key={word} {...given} ending={of} schema={number} />
      ) : (
        <LengthField key={word} {...given} unit={unit} schema={coordinate} />
      );
    });
  };
  return (
    <>
      <Fields>
        <TextLine label="Name" value={name} schema={nameSchema} onValue={setName} width={220} />
        <Choice label="The file is in" value={of} options={UNITS} onPick={setOf} />
      </Fields>
      <Typography variant="body2" sx={{ pt: 1 }}>
        {counted(seen.triangles, 'triangle')},{' '}
        {seen.least.map((low, k) => lengthIn((seen.most[k] - low) * by, unit, 0)).join(' × ')}: is
        it so large?
      </Typography>
      <Box sx={{ pt: 1 }}>
        <Choice label="Put in the car by" value={how} options={HOW} onPick={setHow} />
      </Box>
      {how === 'as it is' ? (
        <Said>
          Its x is ahead of the front axle’s line, its y to the left, its z over the road.
        </Said>
      ) : (
        <>
          <Said>
            Three marks that were on the car when it was scanned, far apart and not on one line:
            where the scan has them, and where they are in the car (ahead of the front axle’s line,
            left of the middle, over the road).
          </Said>
          {[0, 1, 2].map((i) => (
            <Fields key={i}>
              {mark('scan', i)}
              {mark('car', i)}
            </Fields>
          ))}
          {aligned && (
            <Alert
              severity={
                Math.max(...aligned.off) > FAR_OFF || Math.abs(aligned.ratio - 1) > OFF_SCALE
                  ? 'warning'
                  : 'success'
              }
              sx={{ mt: 1 }}
            >
              Marks stay {aligned.off.map((off) => lengthIn(off, unit, 1)).join(', ')} off. By them
              the scan is {(aligned.ratio * 100).toFixed(2)} % of its size in the car
              {Math.abs(aligned.ratio - 1) > OFF_SCALE &&
                ': another unit, or a mark that is mistaken'}
              .
            </Alert>
          )}
        </>
      )}
      {trouble !== '' && (
        <Alert severity="error" sx={{ mt: 1 }}>
          {trouble}
        </Alert>
      )}
      {busy && <LinearProgress sx={{ mt: 1 }} aria-label="It is put in the car" />}
      <Button
        variant="contained"
        sx={{ mt: 2 }}
        disabled={busy || !alignment}
        onClick={() => void take()}
      >
        Put it in the car
      </Button>
    </>
  );
}
