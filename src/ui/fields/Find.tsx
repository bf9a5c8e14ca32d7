import TextField from '@mui/material/TextField';

/** Words to look for in a list: every one of them has to be somewhere in a line. */
export const Find = ({
  label,
  value,
  onValue,
}: {
  label: string;
  value: string;
  onValue: (words: string) => void;
}) => (
  <TextField
    type="search"
    size="small"
    label={label}
    value={value}
    onChange={(event) => onValue(event.target.value.slice(0, 80))}
    sx={{ width: 240 }}
  />
);
