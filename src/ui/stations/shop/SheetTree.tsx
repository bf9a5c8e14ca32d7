import Box from '@mui/material/Box';
import List from '@mui/material/List';
import ListItem from '@mui/material/ListItem';
import ListItemButton from '@mui/material/ListItemButton';
import ListItemText from '@mui/material/ListItemText';
import ListSubheader from '@mui/material/ListSubheader';
import type { ReactNode } from 'react';
import type { Build } from '@/core/model/build';
import { openVariantOf } from '@/core/model/variants';
import type { SheetEntry } from '@/core/shop/sheetsOf';
import type { TakenState } from '@/core/shop/taken';
import { PAPER } from '../../theme';

/** Every sheet by the corner it is of. */
export function SheetTree({
  build,
  entries,
  picked,
  states,
  onPick,
  children,
}: {
  build: Build;
  entries: readonly SheetEntry[];
  picked: string;
  states: ReadonlyMap<string, TakenState['state']>;
  onPick: (id: string) => void;
  /** What is added to it. */
  children: ReactNode;
}) {
  const variant = openVariantOf(build).id;
  const groups = [...new Set(entries.map(({ group }) => group))];
  return (
    <Box component="nav" aria-label="Sheets" sx={{ overflow: 'auto', minHeight: 0 }}>
      {children}
      {groups.map((group) => (
        <List
          key={group}
          dense
          disablePadding
          aria-label={group}
          subheader={
            <ListSubheader disableSticky sx={{ bgcolor: 'transparent', lineHeight: 2, px: 1 }}>
              {group}
            </ListSubheader>
          }
        >
          {entries
            .filter((entry) => entry.group === group)
            .map(({ id, title }) => {
              const state = states.get(`${variant} ${id}`);
              return (
                <ListItem key={id} disablePadding>
                  <ListItemButton
                    selected={id === picked}
                    aria-current={id === picked ? 'true' : undefined}
                    onClick={() => onPick(id)}
                    sx={{
                      px: 1,
                      py: 0.25,
                      borderRadius: 0.5,
                      '&.Mui-selected': { bgcolor: PAPER.wash },
                    }}
                  >
                    <ListItemText
                      primary={shortTitle(title, group)}
                      secondary={
                        state === 'old'
                          ? '△ taken, old now'
                          : state === 'as it is'
                            ? '✓ taken'
                            : undefined
                      }
                      slotProps={{
                        primary: { sx: { fontSize: 14 } },
                        secondary: { sx: { fontSize: 12.5 } },
                      }}
                    />
                  </ListItemButton>
                </ListItem>
              );
            })}
        </List>
      ))}
    </Box>
  );
}

/** What a sheet is called under its group. */
const shortTitle = (title: string, group: string): string =>
  title.startsWith(`${group} `) ? title.slice(group.length + 1) : title;
