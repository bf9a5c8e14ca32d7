import { useSnackbar } from 'notistack';
import { useMemo } from 'react';
import { LARGEST_FILE, fileNameOf, tooLarge, writeBuildFile } from '@/core/file/buildFile';
import { layoutProblems } from '@/core/file/check';
import { writePointsCsv } from '@/core/file/pointsCsv';
import { pointsKey } from '@/core/kinematics/axle';
import { wheelOf } from '@/core/kinematics/wheel';
import type { AxleName, Side } from '@/core/model/build';
import { sayPoint } from '@/core/model/sketch';
import { counted } from '@/core/model/wording';
import { checksOfBuild } from '../stations/check/checkStore';
import { askWhere } from '../points/previewStore';
import { describeProblems } from '@/core/model/problems';
import { download, pickText } from '../download';
import { useStable } from '../useStable';
import type { MenuEntry } from './TopBar';
import { useBuildContext } from './useBuildStore';

/** What goes out of the open build as a file, and comes in. */
export function useFiles(): { entries: (axle: AxleName, side: Side) => MenuEntry[] } {
  const { store } = useBuildContext();
  const { enqueueSnackbar } = useSnackbar();
  const refuse = (text: string) =>
    enqueueSnackbar(text, { variant: 'error', style: { whiteSpace: 'pre-line' } });

  const exportBuild = async () => {
    const { build: drawn } = store.getState();
    const checks = await checksOfBuild();
    if (!checks)
      enqueueSnackbar('Havrik’s server does not answer: the file is without the checks.', {
        variant: 'warning',
      });
    const build = { ...drawn, ...(checks && checks.length > 0 && { checks: [...checks] }) };
    const problems = layoutProblems(build);
    if (problems.length > 0) {
      refuse(`Mend this before exporting:\n${describeProblems(problems)}`);
      return;
    }
    download(fileNameOf(build.name, 'havrik.json'), writeBuildFile(build), 'application/json');
  };
  const exportPoints = (axle: AxleName, side: Side) => {
    const { build } = store.getState();
    const wheel = wheelOf(build, axle, side);
    if (!wheel) return;
    const name = fileNameOf(`${build.name} ${axle} ${side}`, 'csv');
    download(name, writePointsCsv(wheel.type, wheel.points), 'text/csv');
  };
  const importPoints = async (axle: AxleName, side: Side) => {
    const file = await pickText('.csv,.txt,.tsv', LARGEST_FILE);
    if (!file.ok) {
      refuse(tooLarge(file.size));
      return;
    }
    const wheel = wheelOf(store.getState().build, axle, side);
    if (!wheel) return;
    const problems = askWhere(file.text, {
      design: wheel.design,
      points: wheel.points,
      onTake: (rows) => {
        store.getState().edit((draft) => {
          const design = draft[axle]!;
          for (const { name, point } of rows) {
            design[pointsKey(design, side)]![name] = point;
            sayPoint(design, name);
          }
        });
        enqueueSnackbar(`${counted(rows.length, 'joint')} read. Undo brings the old ones back.`);
      },
    });
    if (problems) refuse(`No point was changed:\n${describeProblems(problems)}`);
  };

  const entries = useStable((axle: AxleName, side: Side): MenuEntry[] => [
    { label: 'Export this build', act: () => void exportBuild() },
    { label: `Export ${axle} ${side} points as CSV`, act: () => exportPoints(axle, side) },
    { label: `Read ${axle} ${side} points from CSV`, act: () => void importPoints(axle, side) },
  ]);
  return useMemo(() => ({ entries }), [entries]);
}
