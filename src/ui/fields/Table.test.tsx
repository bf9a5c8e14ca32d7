import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { Table } from './Table';

it('is copied as a spreadsheet takes it, what is typed in it included', async () => {
  const user = userEvent.setup();
  render(
    <Table aria-label="Figures">
      <thead>
        <tr>
          <th>What</th>
          <th>mm</th>
        </tr>
      </thead>
      <tbody>
        <tr>
          <td>
            tie <b>rod</b>
          </td>
          <td>
            <input defaultValue="342.5" /> <input type="checkbox" defaultChecked />
          </td>
        </tr>
        <tr>
          <td>rack</td>
          <td>
            <input placeholder="65" defaultValue="" />
          </td>
        </tr>
      </tbody>
    </Table>,
  );
  await user.click(screen.getByRole('button', { name: 'Copy: Figures' }));
  expect(await navigator.clipboard.readText()).toBe('What\tmm\ntie rod\t342.5\nrack\t65');
  expect(await screen.findByRole('button', { name: 'Copied: Figures' })).toBeVisible();
});
