import Button from '@mui/material/Button';

/** See a proposal beside the present layout, or take it. */
export const LookTake = ({
  what,
  looked,
  disabled = false,
  onLook,
  onTake,
}: {
  /** What is looked at or taken: sets one pair of buttons apart from the next. */
  what: string;
  looked: boolean;
  disabled?: boolean;
  onLook: () => void;
  onTake: () => void;
}) => (
  <>
    <Button
      size="small"
      sx={{ minWidth: 0, alignSelf: 'start' }}
      aria-label={`${looked ? 'Put away' : 'Look'}: ${what}`}
      aria-pressed={looked}
      disabled={disabled}
      onClick={onLook}
    >
      {looked ? 'Put away' : 'Look'}
    </Button>
    <Button
      size="small"
      variant="outlined"
      aria-label={`Take: ${what}`}
      sx={{ minWidth: 0, alignSelf: 'start' }}
      disabled={disabled}
      onClick={onTake}
    >
      Take
    </Button>
  </>
);
