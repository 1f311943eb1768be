import { beforeEach, describe, expect, it, vi } from 'vitest';
import { leftShop, openedEditor, shopIsThere, type Typed, typedInEditor, typedInShop, writeInShop, writtenInShop } from './writing';

const words = (html: string) => ({ entry: 'one', html, from: 1, to: 1, blanks: [] });

describe('words that are written in the shop beside', () => {
  beforeEach(() => leftShop('one'));

  it('are shown there as soon as the editor that keeps them stands open, and follow it', () => {
    const shown = vi.fn();
    writtenInShop({ entry: 'one', show: shown, end: () => {} });
    expect(shown).not.toHaveBeenCalled();
    const close = openedEditor({ entry: 'one', now: () => words('<p>Now</p>'), take: () => {} });
    expect(shown).toHaveBeenCalledWith(words('<p>Now</p>'));
    typedInEditor(words('<p>Later</p>'));
    expect(shown).toHaveBeenLastCalledWith(words('<p>Later</p>'));
    close();
  });

  it('are never typed for nobody: without an editor, writing ends', () => {
    const end = vi.fn();
    const taken: Typed[] = [];
    writtenInShop({ entry: 'one', show: () => {}, end });
    const close = openedEditor({ entry: 'one', now: () => words(''), take: (typed) => taken.push(typed) });
    expect(typedInShop({ entry: 'one', html: '<p>T</p>', from: 2, to: 2 })).toBe(true);
    expect(taken).toHaveLength(1);
    close();
    expect(end).toHaveBeenCalled();
    expect(typedInShop({ entry: 'one', html: '<p>Th</p>', from: 3, to: 3 })).toBe(false);
  });

  it('are no other entry’s', () => {
    const shown = vi.fn();
    writtenInShop({ entry: 'other', show: shown, end: () => {} });
    const close = openedEditor({ entry: 'one', now: () => words(''), take: () => {} });
    typedInEditor(words('<p>x</p>'));
    expect(shown).not.toHaveBeenCalled();
    close();
    leftShop('other');
  });

  it('begin where the shop stands, and nowhere where it does not', () => {
    const how = vi.fn();
    const gone = shopIsThere(how);
    writeInShop('one');
    gone();
    writeInShop('one');
    expect(how.mock.calls).toEqual([['one']]);
  });
});
