import Box from '@mui/material/Box';
import GlobalStyles from '@mui/material/GlobalStyles';

/** Pages as the browser prints them: nothing else of the window, every page at its own size. */
export function PrintedOnly({
  images,
  size: { width, height },
}: {
  images: readonly string[];
  size: { width: number; height: number };
}) {
  return (
    <div data-printed aria-hidden="true">
      <GlobalStyles
        styles={{
          '[data-printed]': { display: 'none' },
          '@page': { size: `${width}mm ${height}mm`, margin: 0 },
          '@media print': {
            'html, body': { margin: 0, background: '#fff' },
            'body > *:not([data-printed])': { display: 'none !important' },
            '[data-printed]': { display: 'block' },
            '[data-printed] img': {
              ...{ display: 'block', width: `${width}mm`, height: `${height}mm` },
              breakAfter: 'page',
            },
            '[data-printed] img:last-child': { breakAfter: 'auto' },
          },
        }}
      />
      {images.map((image, i) => (
        <Box component="img" key={i} src={image} alt="" />
      ))}
    </div>
  );
}
