import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import PrintIcon from '@mui/icons-material/PrintOutlined';
import { useMemo, useState } from 'react';
import { createPortal } from 'react-dom';
import type { Build } from '@/core/model/build';
import { noteTaken } from '@/core/shop/taken';
import { fileName, tablesCsv } from '@/core/shop/csv';
import { headingOf } from '@/core/shop/sheetsOf';
import type { SheetEntry } from '@/core/shop/sheetsOf';
import type { Drawing } from '@/core/sheets/drawing';
import { PAPER_SIZES, pagesOf } from '@/core/sheets/pages';
import { drawingSvg, pageSvg } from '@/core/sheets/svg';
import { download } from '../../download';
import { Choice } from '../../fields/Choice';
import { PAPER } from '../../theme';
import { PrintedOnly } from './PrintedOnly';

const ZOOMS = ['page', 'width', '1 : 1'] as const;
type Zoom = (typeof ZOOMS)[number];
const SIZES: Record<Zoom, { width?: string; height?: string }> = {
  page: { height: 'min(100%, 72vh)' },
  width: { width: '100%' },
  '1 : 1': {},
};

/** The sheet that is picked, on paper. */
export function SheetView({
  build,
  entry,
  onEdit,
}: {
  build: Build;
  entry: SheetEntry;
  onEdit: (change: (build: Build) => void) => void;
}) {
  const [zoom, setZoom] = useState<Zoom>('width');
  const paper = build.shop?.paper ?? 'A4';
  const on = new Date().toISOString().slice(0, 10);
  const { sheet, pages, images } = useMemo(() => {
    const sheet = entry.make();
    const pages = pagesOf(sheet, headingOf(build, on), paper);
    const images = pages.map((page) => `data:image/svg+xml,${encodeURIComponent(pageSvg(page))}`);
    return { sheet, pages, images };
  }, [entry, build, on, paper]);
  const name = fileName(sheet.title);
  const taken = () => onEdit((draft) => noteTaken(draft, [sheet], new Date().toISOString()));
  const { drawing, tables } = sheet;
  // What writes files is fetched when the first is wanted.
  const keepPdf = async () => {
    const { pagesPdf } = await import('@/core/sheets/pdf');
    const bytes = await pagesPdf(pages, sheet.title);
    download(`${name}.pdf`, bytes as Uint8Array<ArrayBuffer>, 'application/pdf');
    taken();
  };
  const keepDxf = async (of: Drawing) => {
    const { drawingDxf } = await import('@/core/sheets/dxf');
    download(`${name}.dxf`, drawingDxf(of), 'image/vnd.dxf');
    taken();
  };
  return (
    <Box
      component="section"
      aria-label={sheet.title}
      sx={{ display: 'flex', flexDirection: 'column', minHeight: 0, minWidth: 0 }}
    >
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, alignItems: 'center', pb: 0.75 }}>
        <Choice label="Zoom" value={zoom} options={ZOOMS} onPick={setZoom} />
        <Box sx={{ flex: 1 }} />
        <Button
          size="small"
          startIcon={<PrintIcon />}
          onClick={() => {
            taken();
            window.print();
          }}
        >
          Print
        </Button>
        <Button size="small" onClick={() => void keepPdf()}>
          PDF
        </Button>
        {drawing && (
          <>
            <Button size="small" onClick={() => void keepDxf(drawing)}>
              DXF
            </Button>
            <Button
              size="small"
              onClick={() => {
                taken();
                download(`${name}.svg`, drawingSvg(drawing), 'image/svg+xml');
              }}
            >
              SVG
            </Button>
          </>
        )}
        {tables.length > 0 && (
          <Button
            size="small"
            onClick={() => download(`${name}.csv`, tablesCsv(sheet), 'text/csv')}
          >
            CSV
          </Button>
        )}
      </Box>
      <Box
        role="region"
        aria-label="The sheet on paper"
        tabIndex={0}
        sx={{ flex: 1, minHeight: 0, overflow: 'auto', bgcolor: PAPER.wash, p: 1 }}
      >
        {images.map((image, i) => (
          <Box
            key={i}
            component="img"
            src={image}
            alt={`${sheet.title}, page ${i + 1} of ${images.length}`}
            sx={{
              display: 'block',
              mx: 'auto',
              mb: 1,
              boxShadow: '0 0 4px rgb(0 0 0 / 0.25)',
              ...SIZES[zoom],
              ...(zoom === '1 : 1' && { width: `${PAPER_SIZES[paper].width}mm` }),
            }}
          />
        ))}
      </Box>
      <Typography variant="caption" color="text.secondary" sx={{ pt: 0.5 }}>
        {images.length} {images.length === 1 ? 'page' : 'pages'} of {paper}, check code {sheet.code}
        . Print at 100 %, then check the 100 mm bar with a rule.
      </Typography>
      {createPortal(<PrintedOnly images={images} size={PAPER_SIZES[paper]} />, document.body)}
    </Box>
  );
}
