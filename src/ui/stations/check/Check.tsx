'use client';

import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { buildIdIn } from '../../build/place';
import { NARROW, PHONE } from '../../theme';
import { BeginCheck } from './BeginCheck';
import { CheckList } from './CheckList';
import { OpenCheck } from './OpenCheck';
import type { Props } from './OpenCheck';
import { binCheck, keepCheck, loadChecks, useChecks } from './checkStore';
import { useManners } from './tone';

/** The car on its stands against the drawing: readings, what they say, the next shim, which number is wrong. */
export function Check(props: Props) {
  const { build, wheel } = props;
  const { list, gone, trouble, waiting } = useChecks();
  const [picked, setPicked] = useState<string | null>(null);
  const [begins, setBegins] = useState(false);
  const { enqueueSnackbar } = useSnackbar();
  useEffect(() => {
    void useManners.persist.rehydrate();
    const load = () => void loadChecks(buildIdIn(window.location.pathname));
    load();
    // What another window or a telephone has read meanwhile.
    window.addEventListener('focus', load);
    return () => window.removeEventListener('focus', load);
  }, []);
  const open = list?.find(({ id }) => id === picked) ?? list?.[0] ?? null;
  const bin = async (id: string, away: boolean) => {
    if (!(await binCheck(id, away)))
      enqueueSnackbar('Havrik’s server does not answer: nothing was changed.', {
        variant: 'error',
      });
  };
  return (
    <Frame>
      <CheckList
        list={list}
        gone={gone}
        open={open?.id ?? null}
        trouble={trouble}
        waiting={waiting}
        onOpen={(id) => {
          setPicked(id);
          setBegins(false);
        }}
        onBegin={() => setBegins(true)}
        onBin={(id, away) => void bin(id, away)}
      />
      {list === null ? (
        <Box role="status" sx={{ p: 1 }}>
          {trouble === '' ? 'Opening …' : `${trouble}: what was read before is not here yet.`}
        </Box>
      ) : begins || !open ? (
        <BeginCheck
          build={build}
          axle={wheel.axle}
          side={wheel.side}
          onBegin={(check) => {
            keepCheck(check);
            setPicked(check.id);
            setBegins(false);
          }}
          onLeave={open ? () => setBegins(false) : null}
        />
      ) : (
        <OpenCheck key={open.id} {...props} check={open} />
      )}
    </Frame>
  );
}

const Frame = styled('div')({
  display: 'grid',
  gridTemplateColumns: '200px minmax(0, 1fr)',
  gap: 16,
  height: '100%',
  minHeight: 0,
  [NARROW]: { gridTemplateColumns: '160px minmax(0, 1fr)' },
  [PHONE]: { display: 'flex', flexDirection: 'column-reverse', height: 'auto' },
});
