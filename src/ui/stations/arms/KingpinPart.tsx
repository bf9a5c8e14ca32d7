'use client';

import Box from '@mui/material/Box';
import Typography from '@mui/material/Typography';
import { useMemo } from 'react';
import { kingpinOf } from '@/core/corners/kinds';
import { WIDTH_AT, briefOf } from '@/core/model/brief';
import type { WidthAt } from '@/core/model/brief';
import type { AxleDesign } from '@/core/model/build';
import { pointLabel } from '@/core/model/labels';
import { COORDINATES } from '@/core/model/points';
import { lengthIn, printLength, readable, unitName } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { bossFixture, bossPlaces, spacerGives, stubOf } from '@/core/upright/stub';
import { lowerEdgeOut, waysToWidth, widthOver } from '@/core/upright/width';
import type { ToWidth } from '@/core/upright/width';
import { FiguresTable } from '../../fields/FiguresTable';
import { Table } from '../../fields/Table';
import { VERDICT } from '../../theme';
import { LookTake } from '../LookTake';
import { takeAxle } from '../takeAxle';
import { PartGrid } from '../PartGrid';
import type { FloorStation } from '../floorStation';

const WHERE: Record<WidthAt, string> = {
  ground: 'at the ground',
  hub: 'at hub height',
  anywhere: 'wherever it is most',
};

/** A kingpin's stub and bosses as they are made, what places of its ends give, and the width over the tyres. */
export function KingpinPart(props: FloorStation) {
  const { build, wheel, unit } = props;
  const { design, side } = wheel;
  const stub = useMemo(() => stubOf(design, side), [design, side]);
  const fixture = useMemo(() => bossFixture(design), [design]);
  const spacer = spacerGives(design);
  const edge = lowerEdgeOut(design);
  if (!stub || !fixture) return null;
  const mm = (value: number) => lengthIn(value, unit, 1);
  const deg = (value: number) => `${readable(value.toFixed(2))}°`;
  const rows: [string, string][] = [
    ['stub drilled off square, top inboard', deg(stub.offSquare)],
    ['stub, kingpin’s line to wheel centre', mm(stub.length)],
    ['spindle ahead of the kingpin’s line by', mm(stub.lead)],
    ['… passing it so far up the kingpin', mm(stub.height)],
    ['fixture wedge from the front: inclination', deg(fixture.kpi)],
    ['fixture wedge from the side: caster', deg(fixture.caster)],
    [
      'or one wedge, from straight inboard to the rear',
      `${deg(fixture.lean)} at ${deg(fixture.towards)}`,
    ],
    ['between the bosses, lower ends', mm(fixture.lower)],
    ['between the bosses, upper ends', mm(fixture.upper)],
    ['kingpin, end to end', mm(fixture.kingpin)],
    ['1 mm of spacer on each stub: scrub radius', `+${spacer.scrub.toFixed(2)} mm`],
    ['… and the width over the tyres', `+${spacer.width.toFixed(2)} mm`],
  ];
  return (
    <PartGrid label="Kingpin and stub" least={340}>
      <div>
        <FiguresTable label="Stub and bosses" heading="as it is made" rows={rows} />
      </div>
      <div>
        <Typography variant="body2" data-edges>
          {Math.abs(edge) < 0.05
            ? 'No camber: the tyres’ lower and upper edges stand as far out.'
            : `${edge > 0 ? 'Negative' : 'Positive'} camber of ${Math.abs(design.static.camber).toFixed(2)}° puts each tyre’s ${
                edge > 0
                  ? 'lower edge out and its upper one in'
                  : 'upper edge out and its lower one in'
              }: ${mm(Math.abs(edge))} between them.`}
        </Typography>
        <Places wheel={wheel} unit={unit} />
        <Width {...props} limit={briefOf(build).limits.width} />
        <Typography variant="caption" component="p" color="text.secondary">
          Stub and kingpin are taken as one solid part. Kingpins, bosses and their welds carry a
          life: have them made and looked at by qualified hands, and keep to your class’s rules.
        </Typography>
      </div>
    </PartGrid>
  );
}

/** What each hole or throw of an end of the kingpin gives. */
function Places({ wheel, unit }: Pick<FloorStation, 'wheel' | 'unit'>) {
  const { design, side, type } = wheel;
  const rows = useMemo(
    () =>
      (kingpinOf(type) ?? []).flatMap((end) =>
        COORDINATES.flatMap((coordinate) =>
          bossPlaces(design, side, end, coordinate).map((gives, i) => ({
            ...gives,
            key: `${end} ${coordinate} ${i}`,
            what: `${i + 1}: ${pointLabel(design, end).replace(/^kingpin, /u, '')}, ${coordinate}`,
            now: Math.abs(gives.at - wheel.points[end][coordinate]) < 0.05,
          })),
        ),
      ),
    [design, side, type, wheel],
  );
  if (rows.length === 0)
    return (
      <Typography variant="body2" color="text.secondary" sx={{ mt: 0.5 }}>
        An end of the kingpin with a row of holes or an eccentric (under “freedoms”) is listed here
        with the caster and camber of each place.
      </Typography>
    );
  const deg = (value: number) => `${readable(value.toFixed(2))}°`;
  return (
    <Table aria-label="What each place of the kingpin gives" sx={{ mt: 1 }}>
      <thead>
        <tr>
          <th scope="col">place</th>
          <th scope="col" className="number">
            at ({unitName(unit)})
          </th>
          <th scope="col" className="number">
            caster
          </th>
          <th scope="col" className="number">
            KPI
          </th>
          <th scope="col" className="number">
            camber
          </th>
          <th scope="col" className="number">
            scrub ({unitName(unit)})
          </th>
        </tr>
      </thead>
      <tbody>
        {rows.map(({ key, what, now, at, caster, kpi, camber, scrub }) => (
          <tr key={key} style={now ? { fontWeight: 600 } : undefined}>
            <th scope="row" style={{ fontWeight: 'inherit' }}>
              {what}
              {now && ', as it is'}
            </th>
            <td className="number">{readable(printLength(Math.round(at * 10) / 10, unit))}</td>
            <td className="number">{deg(caster)}</td>
            <td className="number">{deg(kpi)}</td>
            <td className="number">{deg(camber)}</td>
            <td className="number">{readable(printLength(Math.round(scrub * 10) / 10, unit))}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}

const WAY_WORDS: Record<ToWidth['way'], (by: number, unit: LengthUnit) => string> = {
  bosses: (by, unit) =>
    `bosses ${lengthIn(Math.abs(by), unit, 1)} ${by < 0 ? 'nearer' : 'further'}`,
  lean: (by) =>
    `kingpins leaned ${Math.abs(by).toFixed(2)}° ${by < 0 ? 'less' : 'more'}, stubs with them`,
  spacers: (by, unit) =>
    `${lengthIn(Math.abs(by), unit, 1)} ${by < 0 ? 'of spacers off' : 'more spacers on'} each stub`,
};

/** Over the tyres against the rule, and what brings it there. */
function Width({
  build,
  wheel,
  unit,
  tried,
  onTry,
  onEdit,
  limit,
}: FloorStation & { limit: number | undefined }) {
  const { design, axle } = wheel;
  const where = briefOf(build).limits.widthAt ?? 'anywhere';
  const now = widthOver(design, where);
  const off = limit === undefined ? 0 : now - limit;
  const ways = useMemo(
    () => (limit === undefined || Math.abs(off) < 0.05 ? [] : waysToWidth(design, limit, where)),
    [design, limit, off, where],
  );
  const take = (changed: AxleDesign) => {
    onTry(null);
    onEdit(takeAxle(axle, changed));
  };
  const length = (mm: number) => lengthIn(Math.round(mm * 10) / 10, unit);
  return (
    <Box component="section" aria-label="Width over the tyres" sx={{ mt: 1.5 }}>
      <Typography variant="body2">
        Over the tyres:{' '}
        {WIDTH_AT.map((at) => `${length(widthOver(design, at))} ${WHERE[at]}`).join(', ')}.
      </Typography>
      {limit === undefined ? (
        <Typography variant="body2" color="text.secondary">
          The rule’s own width, and where it is measured, are set in the brief.
        </Typography>
      ) : (
        <Typography
          variant="body2"
          sx={{ fontWeight: 600, color: off > 0.05 ? VERDICT.bad : VERDICT.good }}
          data-width={off > 0.05 ? 'over' : 'within'}
        >
          {off > 0.05
            ? `✕ ${length(off)} over the ${length(limit)} allowed, ${WHERE[where]}.`
            : `✓ Within the ${length(limit)} allowed, ${WHERE[where]}, by ${length(-off)}.`}
        </Typography>
      )}
      {ways.map((way) => (
        <Box
          key={way.way}
          sx={{ display: 'flex', gap: 1, alignItems: 'baseline', py: 0.25 }}
          data-way={way.way}
        >
          <Typography variant="body2" sx={{ flex: 1 }}>
            {WAY_WORDS[way.way](way.by, unit)}: {length(way.width)}, camber{' '}
            {readable(way.camber.toFixed(2))}°
            {way.scrub !== undefined && `, scrub ${length(way.scrub)}`}
          </Typography>
          <LookTake
            what={WAY_WORDS[way.way](way.by, unit)}
            looked={tried === way.design}
            onLook={() => onTry(tried === way.design ? null : way.design)}
            onTake={() => take(way.design)}
          />
        </Box>
      ))}
    </Box>
  );
}
