import { Table } from './Table';

/** Figures one under the other, each with what it is. */
export const FiguresTable = ({
  label,
  heading,
  rows,
}: {
  label: string;
  heading: string;
  rows: readonly (readonly [what: string, figure: string])[];
}) => (
  <Table aria-label={label}>
    <thead>
      <tr>
        <th scope="col">{heading}</th>
        <th scope="col" className="number">
          size
        </th>
      </tr>
    </thead>
    <tbody>
      {rows.map(([what, figure]) => (
        <tr key={what}>
          <th scope="row" style={{ fontWeight: 400 }}>
            {what}
          </th>
          <td className="number">{figure}</td>
        </tr>
      ))}
    </tbody>
  </Table>
);
