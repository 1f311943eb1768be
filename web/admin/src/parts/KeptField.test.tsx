// @vitest-environment happy-dom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ProblemError } from '../data/client';
import { connection } from '../data/connection';
import { unkept } from '../data/unkept';
import { KeptField } from './KeptField';
import { asMoney, asNumber } from './numbers';

const field = () => screen.getByRole('textbox', { name: 'Title' });

/** A field over something that a server has. */
function shown(
  value: string,
  onKeep: (typed: string) => Promise<ProblemError | null>,
  more: { kind?: 'money' | 'long'; key?: string } = {},
) {
  const at = (now: string) => (
    <KeptField label="Title" value={now} draftKey={more.key ?? 'title'} kind={more.kind ?? 'text'} onKeep={onKeep} />
  );
  const { rerender, unmount } = render(at(value));
  return { becomes: (now: string) => rerender(at(now)), unmount };
}

beforeEach(() => {
  sessionStorage.clear();
  connection.set('there');
});
afterEach(cleanup);

describe('a kept field', () => {
  it('keeps what was typed at a pause, once, and on leaving what is left', async () => {
    const kept = vi.fn(async (typed: string) => {
      becomes(typed);
      return null;
    });
    const { becomes } = shown('Papers', kept);
    await userEvent.type(field(), ' and board');
    expect(kept).not.toHaveBeenCalled();
    await waitFor(() => expect(kept).toHaveBeenCalledExactlyOnceWith('Papers and board'), { timeout: 2000 });
    await userEvent.type(field(), 's');
    await userEvent.tab();
    expect(kept).toHaveBeenLastCalledWith('Papers and boards');
    await waitFor(() => expect(unkept.get().size).toBe(0));
  });

  it('takes nothing from under the caret while one goes on typing', async () => {
    const { becomes } = shown('Papers', async (typed) => {
      becomes(typed);
      return null;
    });
    await userEvent.type(field(), ' and ');
    await new Promise((resolve) => setTimeout(resolve, 1200));
    await userEvent.type(field(), 'boards');
    expect(field()).toHaveProperty('value', 'Papers and boards');
    await waitFor(() => expect(unkept.get().size).toBe(0), { timeout: 2000 });
  });

  it('leaves what is refused where it was typed, with the reason', async () => {
    shown('Papers', async () => new ProblemError(422, 'At most 200 characters.'));
    await userEvent.type(field(), '!{Enter}');
    expect((await screen.findByRole('alert')).textContent).toContain('At most 200 characters.');
    expect(field()).toHaveProperty('value', 'Papers!');
    expect([...unkept.get().values()].map(({ name }) => name)).toEqual(['Title']);
  });

  it('follows the server where nothing was typed, and asks where two wrote', async () => {
    const kept = vi.fn(async () => null);
    const { becomes } = shown('Papers', kept);
    becomes('Sheets');
    expect(field()).toHaveProperty('value', 'Sheets');
    await userEvent.type(field(), ' of mine');
    becomes('Sheets of theirs');
    expect(await screen.findByText(/Somebody else wrote “Sheets of theirs” meanwhile/)).toBeTruthy();
    await new Promise((resolve) => setTimeout(resolve, 1200));
    expect(kept).not.toHaveBeenCalled();
    await userEvent.click(screen.getByRole('button', { name: 'Keep mine' }));
    expect(kept).toHaveBeenCalledExactlyOnceWith('Sheets of mine');
  });

  it('tries again by itself when the server answers again', async () => {
    let away = true;
    const kept = vi.fn(async () => (away ? new ProblemError(0, 'The server cannot be reached.') : null));
    shown('Papers', kept);
    connection.set('away');
    await userEvent.type(field(), '!{Enter}');
    await screen.findByRole('alert');
    away = false;
    connection.set('there');
    await waitFor(() => expect(kept).toHaveBeenCalledTimes(2));
    await waitFor(() => expect(screen.queryByRole('alert')).toBeNull());
  });

  it('brings back after a reload what was typed and not kept', async () => {
    const { unmount } = shown('Papers', async () => new ProblemError(0, 'The server cannot be reached.'));
    await userEvent.type(field(), ' and boards');
    await waitFor(() => expect(screen.queryByRole('alert')).toBeTruthy(), { timeout: 2000 });
    unmount();
    const kept = vi.fn(async () => null);
    shown('Papers', kept);
    expect(field()).toHaveProperty('value', 'Papers and boards');
    await waitFor(() => expect(kept).toHaveBeenCalledWith('Papers and boards'), { timeout: 2000 });
    cleanup();
    shown('Papers', kept);
    expect(field()).toHaveProperty('value', 'Papers');
  });

  it('reads money as people write it, and says what is none', async () => {
    const kept = vi.fn(async (hundredths: string) => {
      becomes(hundredths);
      return null;
    });
    const { becomes } = shown('', kept, { kind: 'money' });
    await userEvent.type(field(), '12,50{Enter}');
    expect(kept).toHaveBeenCalledWith('1250');
    await userEvent.clear(field());
    await userEvent.type(field(), 'a dozen{Enter}');
    expect((await screen.findByRole('alert')).textContent).toContain('Write a price');
    expect(kept).toHaveBeenCalledTimes(1);
  });
});

describe('numbers', () => {
  it.each([
    ['12,50', '1250'],
    ['12.5', '1250'],
    ['12', '1200'],
    ['1.234,50', '123450'],
    ['1,234.50', '123450'],
    ["1'234", '123400'],
    ['.5', '50'],
    ['€ 4', '400'],
    ['', ''],
  ])('%s is %s hundredths', (typed, hundredths) => expect(asMoney(typed)).toBe(hundredths));
  it.each(['a', '1,2,3', '-1', ','])('%s is no price', (typed) => expect(asMoney(typed)).toHaveProperty('wrong'));
  it('are whole where they have to be', () => {
    expect(asNumber('007')).toBe('7');
    expect(asNumber('1.5')).toHaveProperty('wrong');
  });
});
