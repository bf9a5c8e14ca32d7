import Box from '@mui/material/Box';
import FormControlLabel from '@mui/material/FormControlLabel';
import Switch from '@mui/material/Switch';
import Typography from '@mui/material/Typography';
import { halfShaftSchema } from '@/core/model/build';
import type { AxleDesign } from '@/core/model/build';
import { COORDINATES } from '@/core/model/points';
import { coordinate } from '@/core/model/wording';
import type { LengthUnit } from '@/core/model/units';
import { AngleField, LengthField } from '../../fields/NumberField';
import type { AxleChange } from './useAxleChange';

/** A driven axle's half-shaft: where its inner joint is, and how far in from the wheel the outer one. */
export function HalfShaft({
  design,
  unit,
  change,
}: {
  design: AxleDesign;
  unit: LengthUnit;
  change: AxleChange;
}) {
  const { halfShaft, points } = design;
  const { ahead, out, up } = points.wheelCentre;
  const handleDriven = (driven: boolean) =>
    change('', (d) => {
      if (driven) d.halfShaft = { inner: { ahead, out: Math.round(out * 0.25), up }, outer: 60 };
      else delete d.halfShaft;
    });
  return (
    <Box component="section" aria-label="Half-shaft" sx={{ pt: 1 }}>
      <FormControlLabel
        control={
          <Switch
            size="small"
            checked={halfShaft !== undefined}
            onChange={(event) => handleDriven(event.target.checked)}
          />
        }
        label="Driven, by half-shafts"
        sx={{ ml: 0, '& .MuiFormControlLabel-label': { fontSize: 13.5 } }}
      />
      {halfShaft && (
        <>
          <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, pt: 1.25 }}>
            {COORDINATES.map((c) => (
              <LengthField
                key={c}
                label={`inner joint, ${c}`}
                value={halfShaft.inner[c]}
                unit={unit}
                schema={coordinate}
                onValue={(mm, step) => change(step, (d) => void (d.halfShaft!.inner[c] = mm))}
                width={118}
              />
            ))}
            <LengthField
              label="outer, inboard"
              value={halfShaft.outer}
              unit={unit}
              schema={halfShaftSchema.shape.outer}
              onValue={(mm, step) => change(step, (d) => void (d.halfShaft!.outer = mm))}
              width={118}
            />
            {(
              [
                ['innerLimit', 'inner joint bends to'],
                ['outerLimit', 'outer joint bends to'],
              ] as const
            ).map(([key, label]) => (
              <AngleField
                key={key}
                label={label}
                value={halfShaft[key]}
                schema={halfShaftSchema.shape[key].unwrap()}
                onValue={(value, step) => change(step, (d) => void (d.halfShaft![key] = value))}
                onClear={(step) => change(step, (d) => void delete d.halfShaft![key])}
                placeholder=""
                width={150}
              />
            ))}
            {(['shorter', 'longer'] as const).map((key) => (
              <LengthField
                key={key}
                label={`plunges, ${key}`}
                value={halfShaft.plunge?.[key]}
                unit={unit}
                schema={halfShaftSchema.shape.plunge.unwrap().shape[key]}
                onValue={(mm, step) =>
                  change(step, (d) => {
                    d.halfShaft!.plunge = {
                      ...(d.halfShaft!.plunge ?? { shorter: 0, longer: 0 }),
                      [key]: mm,
                    };
                  })
                }
                onClear={(step) => change(step, (d) => void delete d.halfShaft!.plunge)}
                placeholder=""
                width={132}
              />
            ))}
          </Box>
          <Typography variant="caption" color="text.secondary" component="p" sx={{ mt: 0.5 }}>
            Joint centres; the outer one on the spindle, inboard of the wheel’s middle. Length and
            bend over the travel are among the curves; what its joints let is what may end the
            travel at the damper’s station.
          </Typography>
        </>
      )}
    </Box>
  );
}
