import Button from '@mui/material/Button';
import { useSnackbar } from 'notistack';
import type { CheckedUp } from '@/core/check/checkUp';
import { readReadingsCsv, writeReadingsCsv } from '@/core/check/readingsCsv';
import { checkReportSheet, reportHeading } from '@/core/check/report';
import { LARGEST_FILE, fileNameOf, tooLarge } from '@/core/file/buildFile';
import type { Build, KeptCheck } from '@/core/model/build';
import { describeProblems } from '@/core/model/problems';
import { counted } from '@/core/model/wording';
import { pagesOf } from '@/core/sheets/pages';
import { download, pickText } from '../../download';
import { dropReading, keepReadings } from './checkStore';

/** A check as files: its report, its readings out and in. */
export function useCheckFiles(build: Build, check: KeptCheck, found: CheckedUp) {
  const { enqueueSnackbar } = useSnackbar();
  const named = (ending: string) => fileNameOf(`${build.name} ${check.name}`, ending);
  const readCsv = async () => {
    const file = await pickText('.csv,.txt', LARGEST_FILE);
    if (!file.ok) {
      enqueueSnackbar(tooLarge(file.size), { variant: 'error' });
      return;
    }
    const now = new Date().toISOString();
    const read = readReadingsCsv(file.text, check.sides, () => crypto.randomUUID(), now);
    if (!read.ok) {
      enqueueSnackbar(`No reading was taken:\n${describeProblems(read.problems)}`, {
        variant: 'error',
        style: { whiteSpace: 'pre-line' },
      });
      return;
    }
    keepReadings(check.id, read.value);
    enqueueSnackbar(`${counted(read.value.length, 'reading')} taken from the file.`, {
      action: (
        <Button
          size="small"
          color="inherit"
          onClick={() => read.value.forEach(({ id }) => dropReading(check.id, id))}
        >
          Undo
        </Button>
      ),
    });
  };
  const keepCsv = () =>
    download(named('csv'), writeReadingsCsv(check.readings, found.gathered.travels), 'text/csv');
  const report = async () => {
    const { pagesPdf } = await import('@/core/sheets/pdf');
    const { readings, ...alone } = check;
    const sheet = checkReportSheet(build, alone, readings, found);
    const heading = reportHeading(build, alone, new Date().toISOString());
    const bytes = await pagesPdf(pagesOf(sheet, heading, build.shop?.paper ?? 'A4'), sheet.title);
    download(named('pdf'), bytes as Uint8Array<ArrayBuffer>, 'application/pdf');
  };
  return { report, keepCsv, readCsv };
}
