import Box from '@mui/material/Box';
import Radio from '@mui/material/Radio';
import RadioGroup from '@mui/material/RadioGroup';
import Typography from '@mui/material/Typography';
import { useId } from 'react';
import { CORNER_TYPES } from '@/core/corners/kinds';
import { blankBuild } from '@/core/model/starts';
import type { AxleDesign } from '@/core/model/build';
import { CornerSketch } from '../floor/CornerSketch';
import { PAPER, SLATE } from '../theme';

/** Blank layouts of every kind, for their drawings. */
const blank = blankBuild('kinds');
const DRAWN: Record<'front' | 'rear', Record<string, AxleDesign>> = {
  front: Object.fromEntries(CORNER_TYPES.map(({ kind }) => [kind, blankBuild('', kind).front])),
  rear: Object.fromEntries(
    CORNER_TYPES.map(({ kind }) => [kind, blankBuild('', undefined, kind).rear!]),
  ),
};
const NONE = 'none';

type Props = { label: string; end: 'front' | 'rear' } & (
  | { none?: undefined; value: string; onPick: (kind: string) => void }
  | { none: true; value: string | null; onPick: (kind: string | null) => void }
);

/** Every kind of corner with a drawing from the front and from above, and when it is used. */
export function KindList(props: Props) {
  const { label, end, value } = props;
  const id = useId();
  const pick = (kind: string) => {
    if (kind !== NONE) props.onPick(kind);
    else if (props.none) props.onPick(null);
  };
  return (
    <Box sx={{ minWidth: 0 }}>
      <Typography variant="h3" id={id} sx={{ mb: 0.5 }}>
        {label}
      </Typography>
      <RadioGroup
        aria-labelledby={id}
        value={value ?? NONE}
        onChange={(_, kind) => pick(kind)}
        sx={{ flexWrap: 'nowrap', maxHeight: 340, overflow: 'auto', pr: 0.5 }}
      >
        {props.none && (
          <Row
            kind={NONE}
            label="None yet"
            use="The rear can be added in the brief."
            drawn={null}
          />
        )}
        {CORNER_TYPES.map(({ kind, label: name, use }) => (
          <Row key={kind} kind={kind} label={name} use={use} drawn={DRAWN[end][kind]} />
        ))}
      </RadioGroup>
    </Box>
  );
}

function Row({
  kind,
  label,
  use,
  drawn,
}: {
  kind: string;
  label: string;
  use: string;
  drawn: AxleDesign | null;
}) {
  return (
    <Box
      component="label"
      sx={{
        display: 'flex',
        alignItems: 'center',
        gap: 1,
        py: 0.5,
        borderTop: `1px solid ${PAPER.line}`,
        cursor: 'pointer',
      }}
    >
      <Radio value={kind} size="small" />
      <Box sx={{ flex: 1, minWidth: 0 }}>
        <Typography sx={{ fontWeight: 600, lineHeight: 1.2 }}>{label}</Typography>
        <Typography variant="caption" component="div" color="text.secondary">
          {use}
        </Typography>
      </Box>
      {drawn &&
        (['front', 'above'] as const).map((view) => (
          <Box
            key={view}
            sx={{ width: 68, height: 62, flex: 'none', bgcolor: SLATE.ground, borderRadius: 0.5 }}
          >
            <CornerSketch design={drawn} travel={blank.travel} view={view} />
          </Box>
        ))}
    </Box>
  );
}
