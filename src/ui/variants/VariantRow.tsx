import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { format } from 'date-fns/format';
import type { Build, Variant } from '@/core/model/build';
import { nameVariant, openVariant, removeVariant } from '@/core/model/variants';
import { label } from '@/core/model/wording';
import { TextLine } from '../fields/TextLine';
import { PAPER } from '../theme';
import type { Compared } from './compared';

const nameSchema = label();

/** One variant: its name, whether it is open or frozen, and what can be done with it. */
export function VariantRow({
  variant,
  isOpen,
  compared,
  onCompare,
  onEdit,
}: {
  variant: Variant;
  isOpen: boolean;
  compared: boolean;
  onCompare: (compared: Compared | null) => void;
  onEdit: (change: (build: Build) => void, step?: string) => void;
}) {
  const { id, name, frozen } = variant;
  const freeze = (when: string | null) =>
    onEdit((draft) => nameVariant(draft, id, { frozen: when }));
  return (
    <Box
      data-variant={name}
      sx={{
        borderTop: `1px solid ${PAPER.line}`,
        py: 1.25,
        px: 1,
        bgcolor: isOpen ? PAPER.wash : undefined,
        display: 'grid',
        gap: 0.5,
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1 }}>
        <TextLine
          label="Variant"
          value={name}
          schema={nameSchema}
          onValue={(next) =>
            onEdit((draft) => nameVariant(draft, id, { name: next }), `variant-${id}`)
          }
          width={210}
        />
        <Typography variant="body2" sx={{ fontWeight: 600 }}>
          {[
            isOpen ? 'open' : '',
            frozen ? `▣ frozen ${format(new Date(frozen), 'd MMM yyyy')}` : '',
          ]
            .filter(Boolean)
            .join(', ')}
        </Typography>
      </Box>
      <Box sx={{ display: 'flex', gap: 0.5, ml: -0.5 }}>
        {!isOpen && (
          <>
            <Button size="small" onClick={() => onEdit((draft) => void openVariant(draft, id))}>
              Open
            </Button>
            <Button
              size="small"
              aria-pressed={compared}
              onClick={() => onCompare(compared ? null : { kind: 'variant', id })}
            >
              {compared ? 'Stop comparing' : 'Compare'}
            </Button>
          </>
        )}
        {frozen ? (
          <Button size="small" onClick={() => freeze(null)}>
            Thaw
          </Button>
        ) : (
          <Button size="small" onClick={() => freeze(new Date().toISOString())}>
            Freeze
          </Button>
        )}
        {!isOpen && !frozen && (
          <Button
            size="small"
            color="error"
            onClick={() => {
              if (compared) onCompare(null);
              onEdit((draft) => removeVariant(draft, id));
            }}
          >
            Remove
          </Button>
        )}
      </Box>
    </Box>
  );
}
