import { act, render } from '@testing-library/react';
import { SnackbarProvider } from 'notistack';
import { wheelOf } from '@/core/kinematics/wheel';
import type { Build, KeptCheck } from '@/core/model/build';
import { blankBuild } from '@/core/model/starts';
import { Check } from '@/ui/stations/check/Check';
import { useManners } from '@/ui/stations/check/tone';
import { Editing } from './editing';
import type { Held } from './editing';

/** The build of the screen under test as it stands. */
export const screenOf: Held = { build: blankBuild('x') };

/** What a server answers to an address; undefined where it answers as one with these checks does. */
export type Answers = (address: string, init?: RequestInit) => unknown;

/** A server that has checks, and takes every reading. */
function serve(checks: readonly KeptCheck[], answers: Answers): void {
  global.fetch = jest.fn(async (address: string, init?: RequestInit) => {
    const said = answers(address, init);
    const json = async () => said ?? (init?.method ? { kept: 1 } : { checks, gone: [] });
    return { ok: true, status: 200, json } as unknown as Response;
  }) as never;
}

/** Shows the station of a build with checks. */
export async function showChecks(
  checks: readonly KeptCheck[] = [],
  {
    unit = 'mm',
    answers = () => undefined,
    build = blankBuild('Stands'),
    keys = false,
  }: { unit?: 'mm' | 'in'; answers?: Answers; build?: Build; keys?: boolean } = {},
): Promise<void> {
  localStorage.clear();
  useManners.setState({ keys, tone: false });
  serve(checks, answers);
  screenOf.build = build;
  window.history.replaceState(null, '', `/builds/b-${Math.random()}/check`);
  render(
    <SnackbarProvider>
      <Editing held={screenOf}>
        {(now, onEdit) => (
          <Check
            build={now}
            wheel={wheelOf(now, 'front', 'left')}
            unit={unit}
            bands={null}
            onEdit={onEdit}
          />
        )}
      </Editing>
    </SnackbarProvider>,
  );
  await act(async () => {
    await new Promise((resolve) => setTimeout(resolve, 30));
  });
}
