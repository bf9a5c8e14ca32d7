import type { Build } from '@/core/model/build';

/** Adds a build beside the others; null where the server does not. */
export async function addBuild(build: Build): Promise<{ id: string; name: string } | null> {
  const response = await fetch('/api/builds', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ build }),
  }).catch(() => null);
  return response?.ok ? ((await response.json()) as { id: string; name: string }) : null;
}
