import Button from '@mui/material/Button';
import Typography from '@mui/material/Typography';
import { useMemo, useState } from 'react';
import { dummyOf, heldAtDroop, spacerDroop } from '@/core/damper/dummy';
import type { Dummy } from '@/core/damper/dummy';
import { damperSchema, damperUnitSchema } from '@/core/model/damper';
import { dummyDrawing } from '@/core/damper/dummyDrawing';
import { fileNameOf } from '@/core/file/buildFile';
import { measure } from '@/core/model/wording';
import { lengthIn } from '@/core/model/units';
import type { LengthUnit } from '@/core/model/units';
import { download } from '../../download';
import { LengthField } from '../../fields/NumberField';
import { Table } from '../../fields/Table';
import { FIGURES, PAPER } from '../../theme';
import { Fields, Said, Section, lengthBy } from './parts';
import type { DamperPartProps } from './parts';

const DROOP = measure('mm', 1, 400);

/** How the droop is limited, and a dummy in the damper's place. */
export function DroopPart(props: DamperPartProps) {
  const { build, wheel, damper, unit, put } = props;
  const [asked, setAsked] = useState<number | undefined>(undefined);
  const droop = asked ?? damper.wanted?.droop ?? wheel.travel.droop;
  const held = useMemo(() => heldAtDroop(wheel, droop), [wheel, droop]);
  const spacer = damper.unit?.spacer ?? 0;
  const eight = useMemo(() => spacerDroop(wheel, spacer > 0 ? spacer : 8), [wheel, spacer]);
  const { bump } = wheel.travel;
  const dummy = useMemo(
    () =>
      dummyOf(wheel, [
        { name: 'full bump', travel: damper.wanted?.bump ?? bump },
        { name: 'ride height', travel: 0 },
        { name: `${Math.round(droop)} mm droop`, travel: -droop },
        ...(damper.heights ?? []).map(({ name, travel }) => ({ name, travel })),
      ]),
    [wheel, droop, bump, damper.wanted?.bump, damper.heights],
  );
  const length = lengthBy(unit);
  return (
    <>
      <Section title="Droop limiter">
        <Fields>
          <LengthField
            label="droop to be held"
            value={droop}
            unit={unit}
            schema={DROOP}
            onValue={setAsked}
            width={150}
          />
          {damper.strap && (
            <LengthField
              label="strap, taut"
              value={damper.strap.length}
              unit={unit}
              schema={damperSchema.shape.strap.unwrap().shape.length}
              onValue={(value, step) => put((d) => d.strap && void (d.strap.length = value), step)}
              width={130}
            />
          )}
          {damper.unit && (
            <LengthField
              label="spacer in the damper"
              value={damper.unit.spacer}
              unit={unit}
              schema={damperUnitSchema.shape.spacer.unwrap()}
              onValue={(value, step) => put((d) => d.unit && void (d.unit.spacer = value), step)}
              onClear={(step) => put((d) => void delete d.unit?.spacer, step)}
              placeholder="none"
              width={160}
            />
          )}
        </Fields>
        {eight && (
          <Typography variant="body2" sx={{ mt: 1, fontWeight: 600 }}>
            {spacer > 0 ? 'The' : 'An'} {lengthIn(spacer > 0 ? spacer : 8, unit, 1)} spacer takes{' '}
            {lengthIn(eight.takes, unit, 1)} out of the wheel’s droop: {length(eight.without)} →{' '}
            {lengthIn(eight.with, unit, 1)}.
          </Typography>
        )}
        {held ? (
          <Typography variant="body2">
            To hold {lengthIn(droop, unit)}:{' '}
            {held.spacer === null
              ? 'say the damper’s open length and its spacer is told'
              : held.spacer > 0
                ? `${lengthIn(held.spacer, unit, 1)} of spacer in the damper`
                : `no spacer does it: the damper opens ${lengthIn(-held.spacer, unit, 1)} too little`}
            {held.strap === null ? '' : `; or a strap of ${lengthIn(held.strap, unit, 1)} taut`}.{' '}
            {held.spacer !== null && held.spacer > 0 && (
              <Button
                size="small"
                onClick={() => put((d) => d.unit && void (d.unit.spacer = tidy(held.spacer!)))}
              >
                Fit the spacer
              </Button>
            )}
            {held.strap !== null && (
              <Button
                size="small"
                onClick={() => put((d) => d.strap && void (d.strap.length = tidy(held.strap!)))}
              >
                Cut the strap so
              </Button>
            )}
          </Typography>
        ) : (
          <Typography variant="body2">The corner does not reach that droop.</Typography>
        )}
        <Said>
          From the corner’s true movement, not from one ratio. A spacer goes on the rod inside the
          damper or its shop does it; a strap gives under load: leave it some.
        </Said>
      </Section>
      {dummy && dummy.holes.length > 1 && (
        <Section title="Dummy for the damper’s place">
          <DummyDrawing dummy={dummy} unit={unit} />
          <Table aria-label="Dummy, hole to hole">
            <thead>
              <tr>
                <th>hole</th>
                <th className="number">from the fixed hole</th>
                <th className="number">from the one before</th>
              </tr>
            </thead>
            <tbody>
              {dummy.holes.map(({ name, length: long }, i) => (
                <tr key={name} data-hole={name}>
                  <td>{name}</td>
                  <td className="number">{lengthIn(long, unit, 1)}</td>
                  <td className="number">
                    {i === 0 ? '–' : lengthIn(dummy.holes[i - 1].length - long, unit, 1)}
                  </td>
                </tr>
              ))}
            </tbody>
          </Table>
          <Button
            size="small"
            onClick={() =>
              download(
                fileNameOf(`${build.name} dummy`, 'svg'),
                dummyDrawing(dummy, `${build.name}: dummy for the ${wheel.axle} dampers`),
                'image/svg+xml',
              )
            }
          >
            Keep the drawing, full size
          </Button>
          {dummy.missed.length > 0 && (
            <Typography variant="body2">Not reached: {dummy.missed.join(', ')}.</Typography>
          )}
          {dummy.closest !== null && dummy.closest < 14 && (
            <Typography variant="body2">
              △ Two holes are {lengthIn(dummy.closest, unit, 1)} apart: drill them side by side on
              two lines, or make two bars.
            </Typography>
          )}
          <Said>
            A bar with a hole for the inner mount and one for every height; car on stands, springs
            out, never under it on a jack alone. Named ride heights are added to it.
          </Said>
        </Section>
      )}
    </>
  );
}

const tidy = (mm: number): number => Math.round(mm * 10) / 10;

/** The bar as it is drilled, to scale along itself. */
function DummyDrawing({ dummy, unit }: { dummy: Dummy; unit: LengthUnit }) {
  const longest = dummy.holes[0].length;
  const [width, pad] = [430, 20];
  const at = (long: number) => pad + (long / longest) * (width - 2 * pad);
  return (
    <svg
      viewBox={`0 0 ${width} ${64 + 15 * dummy.holes.length}`}
      role="img"
      aria-label={`Dummy bar: ${dummy.holes.map(({ name, length }) => `${name} ${lengthIn(length, unit, 1)}`).join(', ')}`}
      style={{ width: '100%', maxWidth: 760, display: 'block', marginTop: 6 }}
    >
      <rect
        x={at(0) - 14}
        y={8}
        width={at(longest) - at(0) + 28}
        height={24}
        rx={12}
        fill={PAPER.wash}
        stroke={PAPER.ink}
      />
      {[0, ...dummy.holes.map(({ length }) => length)].map((long, i) => (
        <circle key={i} cx={at(long)} cy={20} r={5} fill={PAPER.sheet} stroke={PAPER.ink} />
      ))}
      <g fontFamily={FIGURES} fontSize={12} fill={PAPER.ink}>
        {dummy.holes.map(({ name, length }, i) => {
          const y = 50 + 15 * i;
          return (
            <g key={name}>
              <line x1={at(0)} x2={at(length)} y1={y} y2={y} stroke={PAPER.soft} />
              <line x1={at(length)} x2={at(length)} y1={32} y2={y} stroke={PAPER.line} />
              <text
                x={at(length / 2)}
                y={y - 2}
                textAnchor="middle"
                paintOrder="stroke"
                stroke={PAPER.sheet}
                strokeWidth={4}
              >
                {name} {lengthIn(length, unit, 1)}
              </text>
            </g>
          );
        })}
      </g>
    </svg>
  );
}
