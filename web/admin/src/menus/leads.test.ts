import { describe, expect, it } from 'vitest';
import { leadsFromWords } from './leads';

const kinds = (words: string) => leadsFromWords(words).map(({ lead }) => lead.target.kind);

describe('what typed words mean besides a place', () => {
  it('is an outside address where it begins like one', () => {
    expect(leadsFromWords(' https://www.example.org/fair/ ')).toMatchObject([
      { lead: { target: { kind: 'outside', uri: 'https://www.example.org/fair/' }, label: 'example.org/fair' } },
    ]);
    expect(kinds('HTTP://example.org')).toEqual(['outside']);
  });

  it('is a mail address or a phone number where it looks like one', () => {
    expect(leadsFromWords('hello@example.org')[0]?.lead.target).toEqual({ kind: 'contact', uri: 'mailto:hello@example.org' });
    expect(leadsFromWords('+44 (1632) 960-018')[0]?.lead.target).toEqual({ kind: 'contact', uri: 'tel:+441632960018' });
    expect(kinds('+44 (1632) 960-018')).toEqual(['contact', 'heading']);
  });

  it('is a heading otherwise, and never an address that could run', () => {
    for (const words of ['Seasonal', 'javascript:alert(1)', 'data:text/html,x', 'https://two words', 'a@b', '50 × 70'])
      expect(kinds(words)).toEqual(['heading']);
    expect(leadsFromWords('  Seasonal ')[0]?.lead.label).toBe('Seasonal');
  });

  it('is nothing where nothing is typed', () => {
    expect(leadsFromWords('  ')).toEqual([]);
  });

  it('gives an outside address a label that is no longer than one may be', () => {
    expect(leadsFromWords(`https://example.org/${'a'.repeat(400)}`)[0]?.lead.label).toHaveLength(200);
  });
});
