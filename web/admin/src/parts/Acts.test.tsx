// @vitest-environment happy-dom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it } from 'vitest';
import { Acts } from './Acts';

describe('acts behind a button', () => {
  afterEach(cleanup);

  it('that take the focus are done when the list has given it back', async () => {
    const order: string[] = [];
    render(
      <Acts
        label="Acts for Papers"
        onClosed={() => order.push('back')}
        acts={[
          { name: 'At once', does: () => order.push('at once') },
          { name: 'Afterwards', after: true, does: () => order.push('afterwards') },
        ]}
      >
        …
      </Acts>,
    );
    const user = userEvent.setup();
    for (const name of ['Afterwards', 'At once']) {
      screen.getByRole('button', { name: 'Acts for Papers' }).focus();
      await user.keyboard('{Enter}');
      await user.click(await screen.findByRole('menuitem', { name }));
      await waitFor(() => expect(screen.queryByRole('menuitem', { name })).toBeNull());
    }
    await waitFor(() => expect(order).toEqual(['back', 'afterwards', 'at once', 'back']));
  });
});
