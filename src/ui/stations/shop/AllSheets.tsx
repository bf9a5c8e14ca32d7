import Button from '@mui/material/Button';
import { useState } from 'react';
import { proxy } from 'comlink';
import type { Build } from '@/core/model/build';
import { fileName } from '@/core/shop/csv';
import { noteTaken } from '@/core/shop/taken';
import { finderWorker } from '../../build/finderWorker';
import { download } from '../../download';
import { Making } from '../Making';

/** Every sheet and table as one ZIP, made in the worker. */
export function AllSheets({
  build,
  onEdit,
}: {
  build: Build;
  onEdit: (change: (build: Build) => void) => void;
}) {
  const [part, setPart] = useState<number | null>(null);
  const [said, setSaid] = useState('');
  const make = async () => {
    setPart(0);
    setSaid('');
    let ended = false;
    try {
      const on = new Date().toISOString();
      const made = await finderWorker().sheets(
        build,
        on,
        build.shop?.paper ?? 'A4',
        proxy((now: number) => ended || setPart(now)),
      );
      if (!made) return;
      download(
        `${fileName(build.name)}-sheets.zip`,
        made.zip as Uint8Array<ArrayBuffer>,
        'application/zip',
      );
      onEdit((draft) => noteTaken(draft, made.sheets, on));
      setSaid(`${made.sheets.length} sheets, ${made.pages} pages`);
    } catch (error) {
      setSaid(`The sheets could not be made: ${(error as Error).message}`);
    } finally {
      ended = true;
      setPart(null);
    }
  };
  return (
    <>
      <span role="status">{said}</span>
      {part === null ? (
        <Button variant="outlined" size="small" onClick={() => void make()}>
          Take all sheets
        </Button>
      ) : (
        <Making part={part} label="Sheets are made" />
      )}
    </>
  );
}
