// @vitest-environment happy-dom
import { cleanup, render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { afterEach, describe, expect, it, vi } from 'vitest';
import { Choose } from './Choose';

const field = () => screen.getByRole('combobox', { name: 'A place' });

const shown = (ask: (words: string, signal: AbortSignal) => Promise<string[]>, onChoose: (item: string | null) => void) =>
  render(<Choose label="A place" ask={ask} keyOf={(item) => item} show={(item) => item} chosen="" onChoose={onChoose} />);

afterEach(cleanup);

describe('a field to choose from', () => {
  it('never puts under Enter what was found for other letters', async () => {
    const answers = new Map<string, (found: string[]) => void>();
    const onChoose = vi.fn();
    shown((words) => new Promise((resolve) => answers.set(words, resolve)), onChoose);
    await userEvent.type(field(), 'pap');
    await waitFor(() => expect(answers.has('pap')).toBe(true));
    answers.get('pap')?.(['Papers']);
    await screen.findByRole('option', { name: 'Papers' });
    await userEvent.type(field(), 'er knives{Enter}');
    expect(onChoose).not.toHaveBeenCalled();
    await waitFor(() => expect(answers.has('paper knives')).toBe(true));
    answers.get('paper knives')?.(['Paper knives']);
    await waitFor(() => expect(onChoose).toHaveBeenCalledOnce());
    expect(onChoose.mock.calls[0]?.[0]).toBe('Paper knives');
  });

  it('gives what is typed after Enter to the field that has the focus when the answer comes', async () => {
    const given: string[] = [];
    document.execCommand = (_command, _ui, typed) => given.push(typed ?? '') > 0;
    let answer = (_: string[]) => {};
    const onChoose = vi.fn();
    shown(() => new Promise((resolve) => (answer = resolve)), onChoose);
    await userEvent.type(field(), 'papers{Enter} and fold');
    expect(onChoose).not.toHaveBeenCalled();
    expect((field() as HTMLInputElement).value).toBe('papers');
    await waitFor(() => {
      answer(['Papers']);
      expect(onChoose).toHaveBeenCalledOnce();
    });
    await waitFor(() => expect(given).toEqual([' and fold']));
  });

  it('goes on with what was typed before it had the focus, and replaces what was only chosen', async () => {
    const onType = vi.fn();
    render(
      <Choose
        label="A place"
        ask={async () => []}
        keyOf={String}
        show={String}
        chosen=""
        typed="footer, hel"
        onType={onType}
        onChoose={vi.fn()}
      />,
    );
    await userEvent.click(field());
    await userEvent.keyboard('p');
    expect(onType).toHaveBeenLastCalledWith('footer, help');
    cleanup();
    render(<Choose label="A place" ask={async () => []} keyOf={String} show={String} chosen="Papers" onType={onType} onChoose={vi.fn()} />);
    await userEvent.click(field());
    await userEvent.keyboard('t');
    expect(onType).toHaveBeenLastCalledWith('t');
  });

  it('gives up what is asked when other letters follow', async () => {
    const signals: AbortSignal[] = [];
    shown((_, signal) => {
      signals.push(signal);
      return new Promise(() => {});
    }, vi.fn());
    await userEvent.type(field(), 'pa');
    await waitFor(() => expect(signals.length).toBeGreaterThan(0));
    await userEvent.type(field(), 'p');
    await waitFor(() => expect(signals[0]?.aborted).toBe(true));
  });

  it('says that looking failed, and that nothing was found', async () => {
    shown(async (words) => {
      if (words === 'x') throw new Error('The server cannot be reached.');
      return [];
    }, vi.fn());
    await userEvent.type(field(), 'x');
    expect((await screen.findByRole('status')).textContent).toContain('cannot be reached');
    await userEvent.type(field(), 'y');
    await waitFor(() => expect(screen.getByRole('status').textContent).toContain('Nothing has these letters'));
  });

  it('is walked by the arrow keys, and left by Escape without choosing', async () => {
    const onChoose = vi.fn();
    const asked: string[] = [];
    shown(async (words) => {
      asked.push(words);
      return ['Papers', 'Tools', 'Kits'];
    }, onChoose);
    await userEvent.type(field(), 'a');
    await waitFor(() => expect(asked).toContain('a'));
    await screen.findByRole('option', { name: 'Kits' });
    await userEvent.keyboard('{ArrowDown}{Enter}');
    expect(onChoose.mock.calls[0]?.[0]).toBe('Tools');
    await userEvent.type(field(), 'a');
    await screen.findByRole('option', { name: 'Kits' });
    await userEvent.keyboard('{Escape}');
    expect(screen.queryByRole('option')).toBeNull();
    expect(onChoose).toHaveBeenCalledOnce();
    expect(field()).toHaveProperty('value', '');
  });
});
