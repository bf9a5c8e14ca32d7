import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import copyTheOldWay from 'copy-to-clipboard';
import { Table } from './Table';

jest.mock('copy-to-clipboard');

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

it('is copied the older way where a page may not write on the clipboard, and says where nothing lets it', async () => {
  const user = userEvent.setup();
  jest.spyOn(navigator.clipboard, 'writeText').mockRejectedValue(new Error('not allowed'));
  const older = jest.mocked(copyTheOldWay).mockResolvedValueOnce(true).mockResolvedValueOnce(false);
  render(
    <Table aria-label="Figures">
      <tbody>
        <tr>
          <td>rack</td>
        </tr>
      </tbody>
    </Table>,
  );
  await user.click(screen.getByRole('button', { name: 'Copy: Figures' }));
  await user.click(await screen.findByRole('button', { name: 'Copied: Figures' }));
  expect(older).toHaveBeenCalledWith('rack');
  expect(await screen.findByRole('status')).toHaveTextContent('lets nothing be copied');
});
