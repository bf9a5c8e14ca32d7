import Button from '@mui/material/Button';

/** See a proposal beside the present layout, or take it. */
export const LookTake = ({
  looked,
  disabled = false,
  onLook,
  onTake,
}: {
  looked: boolean;
  disabled?: boolean;
  onLook: () => void;
  onTake: () => void;
}) => (
  <>
    <Button
      size="small"
      sx={{ minWidth: 0, alignSelf: 'start' }}
      aria-pressed={looked}
      disabled={disabled}
      onClick={onLook}
    >
      {looked ? 'Put away' : 'Look'}
    </Button>
    <Button
      size="small"
      variant="outlined"
      sx={{ minWidth: 0, alignSelf: 'start' }}
      disabled={disabled}
      onClick={onTake}
    >
      Take
    </Button>
  </>
);
