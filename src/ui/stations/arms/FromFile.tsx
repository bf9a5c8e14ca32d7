import Button from '@mui/material/Button';
import dynamic from 'next/dynamic';
import { useRef, useState } from 'react';
import type { AxleName } from '@/core/model/build';
import type { KeepOut } from '@/core/model/room';
import type { LengthUnit } from '@/core/model/units';

/** What makes surfaces is large: it is fetched with the first file. */
const BodyDialog = dynamic(() => import('./BodyDialog').then((m) => m.BodyDialog), { ssr: false });

const KINDS = '.dxf,.stl,.obj,.ply';

/** A body out of a file: a scan, or an outline of a drawing so thick. */
export function FromFile({
  axle,
  unit,
  onBody,
}: {
  axle: AxleName;
  unit: LengthUnit;
  onBody: (make: (id: string) => KeepOut) => void;
}) {
  const input = useRef<HTMLInputElement>(null);
  const [file, setFile] = useState<File | null>(null);
  return (
    <>
      <Button size="small" variant="outlined" onClick={() => input.current?.click()}>
        From a file
      </Button>
      <input
        ref={input}
        type="file"
        accept={KINDS}
        hidden
        aria-label="Body from a file"
        onChange={(event) => {
          setFile(event.target.files?.[0] ?? null);
          // The same file may be taken again.
          event.target.value = '';
        }}
      />
      {file && (
        <BodyDialog
          file={file}
          axle={axle}
          unit={unit}
          onBody={onBody}
          onClose={() => setFile(null)}
        />
      )}
    </>
  );
}
