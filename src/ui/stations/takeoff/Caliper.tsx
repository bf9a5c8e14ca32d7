'use client';

import Box from '@mui/material/Box';
import Button from '@mui/material/Button';
import LinearProgress from '@mui/material/LinearProgress';
import Typography from '@mui/material/Typography';
import { Fragment, useEffect, useState } from 'react';
import { briefOf } from '@/core/model/brief';
import { pointLabel, rodWord } from '@/core/model/labels';
import { printLength, readable, trimmed } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { JUDGED } from '@/core/tolerance/sensitivity';
import type { Judged, Sensitivity } from '@/core/tolerance/sensitivity';
import { SAMPLES } from '@/core/tolerance/bands';
import type { Bands } from '@/core/tolerance/bands';
import { NAMES } from '@/core/motion/names';
import { toleranceWorker } from '../../build/toleranceWorker';
import { stopBuilding, useProgress } from '../../build/useBands';
import { Choice } from '../../fields/Choice';
import { VERDICT } from '../../theme';
import { Table } from '../../fields/Table';
import type { StationProps } from './TakeOff';

const WORDS: Record<Judged, string> = {
  bumpSteer: NAMES.toeRange,
  camber: NAMES.camber,
  scrub: NAMES.scrub,
};

/** What every measured number does when it is off, the worst first, and what all of them do together. */
export function Caliper({ build, wheel, unit, bands }: StationProps & { bands: Bands | null }) {
  const { axle, side, design, type } = wheel;
  const [by, setBy] = useState<Judged>('bumpSteer');
  const [list, setList] = useState<Sensitivity[] | null>(null);
  useEffect(() => {
    let wanted = true;
    void toleranceWorker()
      .sensitivities(build, axle, side)
      .then((found) => wanted && setList(found));
    return () => {
      wanted = false;
    };
  }, [build, axle, side]);

  // A wheel that steers about nothing has no scrub radius.
  const judged = JUDGED.filter((what) => what !== 'scrub' || type.steersAbout);
  const sorted = list && [...list].sort((a, b) => b.over[by] - a.over[by]);
  return (
    <Box sx={{ maxWidth: 860 }}>
      <Together bands={bands} accept={briefOf(build).targets.bumpSteer[1]} />
      <Box sx={{ display: 'flex', gap: 1.5, alignItems: 'center', my: 1.5 }}>
        <Typography variant="body2">Worst first for</Typography>
        <Choice label="Worst first for" value={by} options={judged} words={WORDS} onPick={setBy} />
      </Box>
      {sorted?.length === 0 && (
        <Typography role="alert">
          The layout cannot be solved as drawn, so nothing can be said of its measurements.
        </Typography>
      )}
      {sorted && sorted.length > 0 && (
        <Table aria-label="Sensitivity">
          <thead>
            <tr>
              <th scope="col" rowSpan={2}>
                Number
              </th>
              <th scope="col" rowSpan={2} className="number">
                ±
              </th>
              {judged.map((what) => (
                <th key={what} scope="colgroup" colSpan={2} style={{ textAlign: 'right' }}>
                  {WORDS[what]}
                </th>
              ))}
            </tr>
            <tr>
              {judged.map((what) => (
                <Fragment key={what}>
                  <th scope="col" className="number">
                    per mm
                  </th>
                  <th scope="col" className="number">
                    over ±
                  </th>
                </Fragment>
              ))}
            </tr>
          </thead>
          <tbody>
            {sorted.map(({ number, per, over }, i) => (
              <tr key={number.id} data-sensitivity={number.id} aria-selected={i < 3}>
                <th scope="row">
                  {number.of === 'marks' ? 'marks' : pointLabel(design, number.of)}, {number.what}
                </th>
                <td className="number">
                  {number.unit === 'deg'
                    ? `${trimmed(number.tolerance, 2)}°`
                    : printLength(number.tolerance, unit)}
                </td>
                {judged.map((what) => (
                  <Fragment key={what}>
                    <td className="number">{per ? figure(what, per[what], unit) : '–'}</td>
                    <td className="number" style={{ fontWeight: what === by ? 600 : 400 }}>
                      {figure(what, over[what], unit)}
                    </td>
                  </Fragment>
                ))}
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      <Typography variant="caption" color="text.secondary" component="p">
        The toe range is over the whole travel; camber and scrub radius at ride height. Arms count
        as cut to the drawn length
        {type.tieRod ? `; toe is set again by the ${rodWord(design)}` : ''}. Angles count per
        degree.
      </Typography>
    </Box>
  );
}

function figure(what: Judged, value: number | null, unit: LengthUnit): string {
  if (value === null) return '–';
  if (!Number.isFinite(value)) return 'does not go together';
  if (what !== 'scrub') return `${readable(fixed(value, 3))}°`;
  return readable(unit === 'mm' ? fixed(value, 2) : fixed(value / 25.4, 4));
}

/** With every decimal, and never −0. */
const fixed = (value: number, decimals: number): string =>
  value.toFixed(decimals).replace(/^-(0\.0+)$/u, '$1');

/** All the ± together: the toe range to expect, and how far the reckoning is. */
function Together({ bands, accept }: { bands: Bands | null; accept: number }) {
  const part = useProgress((state) => state.part);
  const range = bands?.toeRange;
  return (
    <Box sx={{ minHeight: 62 }}>
      {range && (
        <Typography role="status">
          Of cars built from these measurements half come out under{' '}
          <b>{range.median.toFixed(2)}°</b> of toe range, nine in ten under{' '}
          <b style={{ color: range.ninety > 2 * accept ? VERDICT.edge : undefined }}>
            {range.ninety.toFixed(2)}°
          </b>
          .
          {bands.failed > 0 &&
            ` ${bands.failed} of ${bands.samples} could not be put together or did not reach the travel.`}
        </Typography>
      )}
      {!range && part === null && (
        <Typography>No cars have been built from these measurements.</Typography>
      )}
      {part !== null && (
        <Box sx={{ display: 'flex', alignItems: 'center', gap: 1.5, mt: 0.5, maxWidth: 480 }}>
          <LinearProgress
            variant="determinate"
            value={part * 100}
            aria-label="Cars built"
            sx={{ flex: 1 }}
          />
          <Typography variant="caption">
            {Math.round(part * SAMPLES)} of {SAMPLES}
          </Typography>
          <Button size="small" onClick={stopBuilding}>
            Stop
          </Button>
        </Box>
      )}
    </Box>
  );
}
