'use client';

import { Trouble } from '@/ui/Trouble';

export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <Trouble title="That did not work" again={reset}>
      Havrik could not read this from its database. The server’s window says why.
    </Trouble>
  );
}
