import Button from '@mui/material/Button';
import { styled } from '@mui/material/styles';
import { FIGURES, PHONE } from '../../theme';

/** What takes the last letter away. */
export const BACK = '⌫';
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '−', '0', '.', BACK] as const;

/** Keys for one thumb, and the one that takes the reading. */
export const LargeKeys = ({ onPress }: { onPress: (key: string) => void }) => (
  <Keypad aria-label="Large keys" role="group">
    {KEYS.map((key) => (
      <Key
        key={key}
        type="button"
        aria-label={key === BACK ? 'delete a digit' : key}
        onClick={() => onPress(key)}
      >
        {key}
      </Key>
    ))}
    <Button
      type="submit"
      variant="contained"
      size="large"
      sx={{ gridColumn: 'span 2', fontSize: 20 }}
    >
      Take it
    </Button>
  </Keypad>
);

const Keypad = styled('div')({
  display: 'grid',
  gridTemplateColumns: 'repeat(3, minmax(0, 1fr))',
  gap: 6,
  maxWidth: 360,
  [PHONE]: { maxWidth: 'none' },
});

const Key = styled('button')(({ theme }) => ({
  minHeight: 52,
  fontFamily: FIGURES,
  fontSize: 24,
  color: theme.vars?.palette.text.primary,
  background: 'transparent',
  border: `1px solid ${theme.vars?.palette.divider}`,
  borderRadius: 4,
  touchAction: 'manipulation',
}));
