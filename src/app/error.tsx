'use client';

import { Trouble } from '@/ui/Trouble';

export default function ErrorPage({ reset }: { reset: () => void }) {
  return (
    <Trouble title="That did not work" again={reset}>
      Something went wrong in Havrik itself; builds are kept as they were. The server’s window says
      what it was.
    </Trouble>
  );
}
