'use client';

import Box from '@mui/material/Box';
import { styled } from '@mui/material/styles';
import { useSnackbar } from 'notistack';
import { useEffect, useState } from 'react';
import { buildIdIn } from '../../build/place';
import { NARROW, PHONE } from '../../theme';
import { briefOf } from '@/core/model/brief';
import type { Check as BegunCheck } from '@/core/model/build';
import { BeginCheck } from './BeginCheck';
import { BeginTraining } from './BeginTraining';
import { trainedCheck } from './begin';
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
  const [begins, setBegins] = useState<'check' | 'training' | null>(null);
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
  const begin = (check: BegunCheck) => {
    keepCheck(check);
    setPicked(check.id);
    setBegins(null);
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
          setBegins(null);
        }}
        onBegin={() => setBegins('check')}
        onTrain={() => setBegins('training')}
        onBin={(id, away) => void bin(id, away)}
      />
      {list === null ? (
        <Box role="status" sx={{ p: 1 }}>
          {trouble === '' ? 'Opening …' : `${trouble}: what was read before is not here yet.`}
        </Box>
      ) : begins === 'training' ? (
        <BeginTraining
          wheel={wheel}
          accepted={briefOf(build).targets.bumpSteer[1]}
          list={list}
          onBegin={(scenario) => begin(trainedCheck(build, wheel, scenario, list))}
          onLeave={open ? () => setBegins(null) : null}
        />
      ) : begins || !open ? (
        <BeginCheck
          build={build}
          axle={wheel.axle}
          side={wheel.side}
          onBegin={begin}
          onLeave={open ? () => setBegins(null) : null}
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
