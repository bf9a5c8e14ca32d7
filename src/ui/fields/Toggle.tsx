import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';

/** Something that is so or not. */
export const Toggle = ({
  label,
  on,
  onSwitch,
}: {
  label: string;
  on: boolean;
  onSwitch: (on: boolean) => void;
}) => (
  <FormControlLabel
    control={<Switch size="small" checked={on} onChange={(e) => onSwitch(e.target.checked)} />}
    label={label}
    sx={{ ml: 0, '& .MuiFormControlLabel-label': { fontSize: 13.5 } }}
  />
);
