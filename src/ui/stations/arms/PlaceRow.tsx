import { styled } from '@mui/material/styles';
import { FIGURES, PAPER } from '../../theme';

/** A figure that is worst somewhere in the travel, and the way there. Plain styles: redrawn while joints are dragged. */
export function PlaceRow({
  what,
  where,
  figure,
  colour,
  ...button
}: {
  what: string;
  where: string;
  figure: string;
  colour: string;
} & React.ButtonHTMLAttributes<HTMLButtonElement>) {
  return (
    <Row type="button" {...button}>
      <What>
        {what} <Soft>at {where}</Soft>
      </What>
      <Figure style={{ color: colour }}>{figure}</Figure>
    </Row>
  );
}

const Row = styled('button')({
  all: 'unset',
  cursor: 'pointer',
  display: 'flex',
  gap: 8,
  width: '100%',
  fontSize: 13.5,
  padding: '2px 0',
  '&:hover': { backgroundColor: PAPER.wash },
  '&:focus-visible': { outline: `2px solid ${PAPER.accent}` },
});
const What = styled('span')({ flex: 1 });
const Soft = styled('span')({ color: PAPER.soft });
const Figure = styled('span')({ fontFamily: FIGURES, fontWeight: 600, whiteSpace: 'nowrap' });
