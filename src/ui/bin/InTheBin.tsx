'use client';

import Button from '@mui/material/Button';
import { useRouter } from 'next/navigation';
import { putBack } from '@/server/actions';
import { Trouble } from '../Trouble';
import { useActions } from '../useActions';

/** Stands where a build was that is in the bin now. */
export function InTheBin({ id, name }: { id: string; name: string }) {
  const router = useRouter();
  const { busy, run } = useActions();
  return (
    <Trouble title="This build is in the bin">
      “{name}” was deleted.{' '}
      <Button
        disabled={busy}
        onClick={() =>
          run(
            () => putBack(id),
            () => router.refresh(),
          )
        }
      >
        Put it back
      </Button>
    </Trouble>
  );
}
