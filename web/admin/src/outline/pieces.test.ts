import type { ClipboardEvent } from 'react';
import { describe, expect, it, test } from 'vitest';
import type { Entry, Piece, Rules } from '../data/client';
import { heading } from '../data/entry.fixture';
import { copyLines, pastedLines } from './copied';
import { newPiece, standFor } from './pieces';
import { lines } from './tree';

const piece = (id: string, kind: Piece['kind'], children: Entry[] = []) => heading(id, children, { piece: { kind } });

/** As much of the rules as is asked for here. */
const rules = {
  pieces: [
    { kind: 'band', standsIn: ['panel', 'tab'], holdsLinks: false },
    { kind: 'column', standsIn: ['band'], holdsLinks: false },
    { kind: 'words', standsIn: ['column'], holdsLinks: false },
    { kind: 'links', standsIn: ['column'], holdsLinks: true },
    { kind: 'tab', standsIn: ['tabs'], holdsLinks: false },
  ],
} as unknown as Rules;

const page = lines([
  piece('b1', 'band', [piece('c1', 'column', [piece('w1', 'words'), piece('l1', 'links', [heading('link')])]), piece('c2', 'column')]),
  piece('b2', 'band', [piece('c3', 'column')]),
]);
const on = (id: string) => page.find(({ entry }) => entry.id === id) ?? null;

describe('where a piece goes', () => {
  it.each([
    ['words', 'c1', { parentId: 'c1', index: 2 }],
    ['words', 'w1', { parentId: 'c1', index: 1 }],
    ['words', 'link', { parentId: 'c1', index: 2 }],
    ['words', 'b1', { parentId: 'c2', index: 0 }],
    ['words', null, { parentId: 'c3', index: 0 }],
    ['column', 'w1', { parentId: 'b1', index: 1 }],
    ['column', 'b2', { parentId: 'b2', index: 1 }],
    ['link', 'l1', { parentId: 'l1', index: 1 }],
    ['link', 'link', { parentId: 'l1', index: 1 }],
    ['tab', 'w1', null],
  ] as const)('%s, from %s', (kind, from, at) => {
    expect(standFor(kind, from === null ? null : on(from), page, rules)).toEqual(at);
  });
});

test('what is new can be used as it is', () => {
  expect(newPiece('band', '').children).toHaveLength(2);
  expect(newPiece('tabs', '').children?.map((tab) => [tab.label, tab.children?.[0]?.piece?.kind])).toEqual([
    ['First', 'band'],
    ['Second', 'band'],
  ]);
  expect(newPiece('heading', 'Reduced').label).toBe('Reduced');
  expect(newPiece('words', 'a < b').piece?.html).toBe('<p>a &lt; b</p>');
});

test('what is copied goes in as lines of their own, with all below them, and leads where it led', () => {
  const clipboard = new Map<string, string>();
  const event = {
    preventDefault: () => {},
    clipboardData: {
      setData: (type: string, data: string) => clipboard.set(type, data),
      getData: (type: string) => clipboard.get(type) ?? '',
    },
  } as unknown as ClipboardEvent;
  const band = page[0]?.entry as Entry;
  copyLines(event, [{ ...band, label: 'Grüße › “Band”' }]);
  expect(clipboard.get('text/plain')).toBe('Grüße › “Band”');
  const [pasted] = pastedLines(event) ?? [];
  expect(pasted?.piece).toEqual({ kind: 'band' });
  expect(pasted?.id).not.toBe('b1');
  expect(pasted?.children?.[0]?.children?.map(({ label }) => label)).toEqual(['w1', 'l1']);
  expect(pasted?.children?.[0]?.children?.[0]?.id).not.toBe('w1');
  clipboard.set('text/html', '<p>Something else</p>');
  expect(pastedLines(event)).toBeNull();
});
