import Alert from '@mui/material/Alert';
import Button from '@mui/material/Button';
import Dialog from '@mui/material/Dialog';
import DialogActions from '@mui/material/DialogActions';
import DialogContent from '@mui/material/DialogContent';
import DialogTitle from '@mui/material/DialogTitle';
import LinearProgress from '@mui/material/LinearProgress';
import { useEffect, useState } from 'react';
import type { AxleName } from '@/core/model/build';
import type { PlateShape } from '@/core/model/pieces';
import { readyFor } from '@/core/clearance/surfaces';
import { keepOutSchema, startingRoom } from '@/core/model/room';
import type { KeepOut, MeshBody } from '@/core/model/room';
import type { LengthUnit } from '@/core/model/units';
import { cutTo } from '@/core/model/wording';
import type { ScanSeen } from '@/workers/scan.worker';
import { scanWorker } from '../../build/scanWorker';
import { OutlinePlace } from './OutlinePlace';
import { ScanPlace } from './ScanPlace';

/** What a file turned out to be. */
type Found = { as: 'scan'; seen: ScanSeen } | { as: 'drawing'; shapes: PlateShape[]; left: number };

/** What is made of it: the surface as a build carries it. */
export type Carried = Pick<MeshBody, 'places' | 'triangles' | 'exact'>;

/** Reads a file, asks where what is in it lies in the car, and makes a body of it. */
export function BodyDialog({
  file,
  axle,
  unit,
  onBody,
  onClose,
}: {
  file: File;
  axle: AxleName;
  unit: LengthUnit;
  onBody: (make: (id: string) => KeepOut) => void;
  onClose: () => void;
}) {
  const [found, setFound] = useState<Found | null>(null);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    let ended = false;
    void read(file).then(
      (what) => {
        if (ended) return;
        if (typeof what === 'string') setTrouble(what);
        else setFound(what);
      },
      (error: unknown) => {
        if (!ended) setTrouble(`${file.name} could not be read: ${(error as Error).message}`);
      },
    );
    return () => {
      ended = true;
    };
  }, [file]);
  const take = (carried: Carried, name: string) => {
    const own = { kind: 'mesh' as const, name, axle, file: cutTo(file.name, 120) };
    const body = { ...own, ...carried };
    const checked = keepOutSchema.safeParse({ ...body, id: 'x' });
    if (!checked.success) {
      setTrouble(`It ${checked.error.issues[0].message}`);
      return;
    }
    // What asks it for distances is there before it is.
    void readyFor({ room: { ...startingRoom(), keepOuts: [checked.data] } }).then(
      () => {
        onBody((id) => ({ ...body, id }));
        onClose();
      },
      (error: unknown) => setTrouble(`It cannot be reckoned with: ${(error as Error).message}`),
    );
  };
  const name = cutTo(file.name.replace(/\.[^.]*$/u, ''), 60) || 'body';
  return (
    <Dialog open onClose={onClose} fullWidth maxWidth="md" aria-labelledby="body-title">
      <DialogTitle id="body-title">{file.name}</DialogTitle>
      <DialogContent>
        {trouble !== '' && <Alert severity="error">{trouble}.</Alert>}
        {!found && trouble === '' && <LinearProgress aria-label="The file is read" />}
        {found?.as === 'scan' && (
          <ScanPlace seen={found.seen} unit={unit} name={name} onTake={take} />
        )}
        {found?.as === 'drawing' && (
          <OutlinePlace
            shapes={found.shapes}
            left={found.left}
            unit={unit}
            name={name}
            onTake={take}
          />
        )}
      </DialogContent>
      <DialogActions>
        <Button color="inherit" onClick={onClose}>
          Cancel
        </Button>
      </DialogActions>
    </Dialog>
  );
}

/** What a file is; why it is nothing, in words. */
async function read(file: File): Promise<Found | string> {
  if (file.name.toLowerCase().endsWith('.dxf')) {
    const outlines = await scanWorker().outlines(file.name, await file.text());
    return outlines.ok
      ? { as: 'drawing', shapes: outlines.shapes, left: outlines.left }
      : outlines.why;
  }
  const bytes = await file.arrayBuffer();
  const scan = await scanWorker().read(file.name, bytes);
  return scan.ok ? { as: 'scan', seen: scan.seen } : scan.why;
}
