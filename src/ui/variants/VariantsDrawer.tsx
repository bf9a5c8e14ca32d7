'use client';

import CloseIcon from '@mui/icons-material/Close';
import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Drawer from '@mui/material/Drawer';
import IconButton from '@mui/material/IconButton';
import Typography from '@mui/material/Typography';
import type { Wheel } from '@/core/kinematics/wheel';
import type { Build } from '@/core/model/build';
import { copyVariant, variantsOf, openVariantOf } from '@/core/model/variants';
import type { LengthUnit } from '@/core/model/units';
import { Differences } from './Differences';
import { VariantRow } from './VariantRow';
import { Saves } from './Saves';
import { comparedIn } from './compared';
import type { Compared } from './compared';

interface Props {
  open: boolean;
  onClose: () => void;
  build: Build;
  wheel: Wheel;
  unit: LengthUnit;
  compared: Compared | null;
  onCompare: (compared: Compared | null) => void;
  onEdit: (change: (build: Build) => void, step?: string) => void;
  onReplace: (build: Build) => void;
}

/** The build's variants, what two of them differ in, and the build as it was saved. */
export function VariantsDrawer(props: Props) {
  const { build, compared, onCompare, onEdit } = props;
  const variants = variantsOf(build);
  const open = openVariantOf(build);
  const against = comparedIn(build, compared);
  return (
    <Drawer
      anchor="right"
      open={props.open}
      onClose={props.onClose}
      slotProps={{
        backdrop: { sx: { bgcolor: 'transparent' } },
        paper: { 'aria-label': 'Variants', sx: { width: 480, p: 2.5, boxShadow: 8 } },
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', mb: 1 }}>
        <Typography variant="h2" sx={{ flex: 1 }}>
          Variants of this build
        </Typography>
        <IconButton aria-label="Close" onClick={props.onClose} size="small">
          <CloseIcon />
        </IconButton>
      </Box>
      <Typography variant="body2" color="text.secondary" sx={{ mb: 1.5 }}>
        Ways to build the same car, side by side. Freeze one before metal is cut: it keeps its
        figures, and you go on with a copy.
      </Typography>
      {variants.map((variant) => (
        <VariantRow
          key={variant.id}
          variant={variant}
          isOpen={variant.id === open.id}
          compared={compared?.kind === 'variant' && compared.id === variant.id}
          onCompare={onCompare}
          onEdit={onEdit}
        />
      ))}
      <Button
        variant="outlined"
        sx={{ mt: 1.25, alignSelf: 'flex-start' }}
        onClick={() =>
          onEdit((draft) =>
            copyVariant(draft, crypto.randomUUID(), nextName(variants.map(({ name }) => name))),
          )
        }
      >
        Go on with a copy of “{open.name}”
      </Button>
      {against && <Differences {...props} against={against} />}
      {props.open && <Saves {...props} />}
    </Drawer>
  );
}

/** `Variant 2`, `Variant 3` …, whichever is not taken. */
function nextName(taken: string[]): string {
  for (let i = taken.length + 1; ; i++) if (!taken.includes(`Variant ${i}`)) return `Variant ${i}`;
}
