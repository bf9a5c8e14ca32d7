import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';

/** One of many, by its words; a value that is not among them is none. */
export function PickOne<T extends string>({
  label,
  value,
  options,
  onPick,
  width = 280,
}: {
  label: string;
  value: T;
  options: readonly { value: T; words: string }[];
  onPick: (value: T) => void;
  width?: number;
}) {
  return (
    <TextField
      select
      size="small"
      label={label}
      value={options.some((one) => one.value === value) ? value : ''}
      onChange={(event) => onPick(event.target.value as T)}
      sx={{ width }}
    >
      {options.map(({ value: one, words }) => (
        <MenuItem key={one} value={one}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
