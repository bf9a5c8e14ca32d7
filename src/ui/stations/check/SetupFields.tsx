import Box from '@mui/material/Box';
import MenuItem from '@mui/material/MenuItem';
import TextField from '@mui/material/TextField';
import Typography from '@mui/material/Typography';
import { HEIGHT_TABLE } from '@/core/check/heights';
import { usualSetup } from '@/core/check/evidence';
import type { KeptCheck } from '@/core/model/build';
import { HEIGHTS_BY, TOUCHED, setupSchema } from '@/core/model/checks';
import type { CheckSetup, HeightBy, Touched } from '@/core/model/checks';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField, PlainField } from '../../fields/NumberField';
import { Choice } from '../../fields/Choice';
import { Toggle } from '../../fields/Toggle';

const ON_WORDS: Record<Touched, string> = { tyre: 'tyre', rim: 'rim', hub: 'hub or disc' };

type LengthName = {
  [K in keyof CheckSetup]: CheckSetup[K] extends number ? K : never;
}[keyof CheckSetup];

/** Where instruments, walls and marks stand; what was read is reckoned anew with every change. */
export function SetupFields({
  check,
  unit,
  onChange,
}: {
  check: KeptCheck;
  unit: LengthUnit;
  onChange: (setup: CheckSetup) => void;
}) {
  const { setup, moved, drawn } = check;
  const length = (name: LengthName, label: string) => (
    <LengthField
      label={label}
      value={setup[name]}
      unit={unit}
      schema={setupSchema.shape[name]}
      onValue={(value) => onChange({ ...setup, [name]: value })}
      width={150}
    />
  );
  const ways = HEIGHTS_BY.filter(
    (by) => HEIGHT_TABLE[by].with.includes(moved) && (by !== 'damper' || drawn.damper),
  );
  return (
    <Box
      sx={{ display: 'grid', gap: 1.25, '& > div': { display: 'flex', flexWrap: 'wrap', gap: 1 } }}
    >
      <div>
        <Choice
          label="Read on"
          value={setup.on}
          options={TOUCHED}
          words={ON_WORDS}
          onPick={(on) => {
            const { face, span } = usualSetup(drawn, on);
            onChange({ ...setup, on, face, span });
          }}
        />
      </div>
      <div>
        {length('face', 'face from the centre')}
        {length('span', 'between the marks')}
        {length('shiftOff', 'car shifts sideways, ±')}
      </div>
      <Typography variant="h3">Height of the wheel</Typography>
      <div>
        <TextField
          select
          size="small"
          label="told by"
          value={setup.heightBy}
          onChange={(event) => onChange({ ...setup, heightBy: event.target.value as HeightBy })}
          sx={{ width: 240 }}
        >
          {ways.map((by) => (
            <MenuItem key={by} value={by}>
              {HEIGHT_TABLE[by].name}
            </MenuItem>
          ))}
        </TextField>
        {HEIGHT_TABLE[setup.heightBy].asksRide && length('heightAt', 'reads at ride height')}
        {length('heightOff', '± at the wheel')}
        {setup.heightBy === 'jack' && length('jackPerTurn', 'lift of the jack a turn')}
        {setup.heightBy === 'jack' && (
          <PlainField
            label="wheel for 1 of jack"
            ending="to 1"
            value={setup.jackRatio}
            schema={setupSchema.shape.jackRatio}
            onValue={(jackRatio) => onChange({ ...setup, jackRatio })}
            width={150}
          />
        )}
      </div>
      <Typography variant="caption" color="text.secondary">
        {HEIGHT_TABLE[setup.heightBy].how}
      </Typography>
      <Typography variant="h3">Walls</Typography>
      <div>
        {length('wall', 'wall ahead, − behind')}
        {length('wall2', 'second wall')}
        {length('spotUp', 'spots above the hub')}
      </div>
      <Typography variant="h3">Dial gauges</Typography>
      <div>
        {length('dialSpan', 'between the gauges')}
        {length('dialsUp', 'above the hub')}
        <Toggle
          label="they read more as the plate goes inward"
          on={setup.dialsWay === 1}
          onSwitch={(on) => onChange({ ...setup, dialsWay: on ? 1 : -1 })}
        />
      </div>
      <Typography variant="h3">Level and sweep</Typography>
      <div>
        <AngleField
          label="level’s nought, ±"
          value={setup.levelOff}
          schema={setupSchema.shape.levelOff}
          onValue={(levelOff) => onChange({ ...setup, levelOff })}
          width={150}
        />
        <AngleField
          label="turned each way"
          value={setup.sweep}
          schema={setupSchema.shape.sweep}
          onValue={(sweep) => onChange({ ...setup, sweep })}
          width={150}
        />
      </div>
    </Box>
  );
}
