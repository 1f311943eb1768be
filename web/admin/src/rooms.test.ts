import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import { describe, expect, it } from 'vitest';

const root = import.meta.dirname;

const files = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((entry) =>
    entry.isDirectory() ? files(join(folder, entry.name)) : [join(folder, entry.name)],
  );

const sources = files(root).filter((file) => /\.tsx?$/.test(file) && !/\.test\.|\.d\.ts$/.test(file));

const roomOf = (file: string) => relative(root, file).split('/')[0] ?? '';

const importsOf = (file: string): string[] =>
  [...readFileSync(file, 'utf8').matchAll(/(?:from|import\()\s*'(\.[^']+)'/g)].map(([, path]) => resolve(dirname(file), path ?? ''));

/** What each room may import from; a view imports no other view, and nobody imports the shell but the page itself. */
const allowed: Record<string, string[]> = {
  data: [],
  parts: ['data'],
  shop: ['data', 'parts'],
  words: ['data', 'parts'],
  outline: ['data', 'parts', 'shop', 'words'],
  menus: ['data', 'parts', 'shop', 'outline'],
  places: ['data', 'parts', 'shop', 'words', 'outline'],
  filters: ['data', 'parts', 'shop'],
  policies: ['data', 'parts'],
  letters: ['data', 'parts'],
  redirects: ['data', 'parts'],
  findings: ['data', 'parts'],
  releases: ['data', 'parts'],
  people: ['data', 'parts'],
  start: ['data', 'parts'],
  shell: ['data', 'parts'],
};

describe('the rooms of the interface', () => {
  it('import only what they may, so that no two import each other', () => {
    const wrong = sources
      .filter((file) => file.slice(root.length + 1).includes('/'))
      .flatMap((file) =>
        importsOf(file)
          .map(roomOf)
          // What both origins are built from stands beside them.
          .filter((room) => room !== '..' && room !== roomOf(file) && !allowed[roomOf(file)]?.includes(room))
          .map((room) => `${relative(root, file)} imports ${room}`),
      );
    expect(wrong).toEqual([]);
    expect(sources.length).toBeGreaterThan(60);
  });

  it('have no file that comes back to itself by what it imports', () => {
    const name = (path: string) => sources.find((file) => file === path || file.replace(/\.tsx?$/, '') === path);
    const next = new Map(sources.map((file) => [file, importsOf(file).flatMap((path) => name(path) ?? [])]));
    const reached = (from: string, seen: Set<string>): Set<string> => {
      for (const file of next.get(from) ?? []) {
        if (!seen.has(file)) {
          reached(file, seen.add(file));
        }
      }
      return seen;
    };
    expect(sources.filter((file) => reached(file, new Set()).has(file)).map((file) => relative(root, file))).toEqual([]);
    expect([...next.values()].flat().length).toBeGreaterThan(sources.length);
  });

  it('take every colour and every size of type from the tokens', () => {
    const wrong = sources.flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/#[0-9a-f]{3,8}\b(?!')|\b(?:text|bg|border|fill|stroke)-\[(?!inherit)[^\]]*\]|rgba?\(/gi)]
        .map(([found]) => found)
        .filter((found) => !/^#\d{1,2}$/.test(found))
        .map((found) => `${relative(root, file)}: ${found}`),
    );
    expect(wrong).toEqual([]);
  });

  it('give no type a lie', () => {
    expect(sources.filter((file) => /as never|as any/.test(readFileSync(file, 'utf8'))).map((file) => relative(root, file))).toEqual([]);
  });

  it('have a token for the night for every one of the day', () => {
    const style = readFileSync(join(root, 'style.css'), 'utf8');
    const tokens = (part: string) => new Set([...part.matchAll(/(--color-[a-z-]+):/g)].map(([, name]) => name));
    const day = tokens(style.slice(style.indexOf('@theme'), style.indexOf('prefers-color-scheme: dark')));
    const night = tokens(style.slice(style.indexOf('prefers-color-scheme: dark'), style.indexOf('@layer base')));
    expect([...day].filter((name) => !night.has(name) && name !== '--color-white')).toEqual([]);
  });
});

/** WCAG 2.2, relative luminance. */
function luminance(hex: string): number {
  const [r = 0, g = 0, b = 0] = [1, 3, 5].map((at) => {
    const value = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
    return value <= 0.04045 ? value / 12.92 : ((value + 0.055) / 1.055) ** 2.4;
  });
  return 0.2126 * r + 0.7152 * g + 0.0722 * b;
}

const contrast = (a: string, b: string): number => {
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return ((light ?? 0) + 0.05) / ((dark ?? 0) + 0.05);
};

describe('the tokens, by day and by night', () => {
  const style = readFileSync(join(root, 'style.css'), 'utf8');
  const at = style.indexOf('prefers-color-scheme: dark');
  const read = (part: string) =>
    Object.fromEntries([...part.matchAll(/--color-([a-z-]+): (#[0-9a-f]{6})/g)].map(([, name, hex]) => [name, hex]));
  const themes = { day: read(style.slice(0, at)), night: read(style.slice(at, style.indexOf('@layer base'))) };

  it.each(Object.entries(themes))('have contrast enough for text: %s', (_, tokens) => {
    const text: [string, string][] = [
      ...['ink', 'soft', 'tide', 'dusk', 'brick', 'moss'].flatMap((one): [string, string][] => [
        [one, 'paper'],
        [one, 'sheet'],
      ]),
      ['ink', 'lamp-wash'],
      ['ink', 'tide-wash'],
      ['soft', 'tide-wash'],
      ['brick-ink', 'brick-wash'],
      ['on-lamp', 'lamp'],
      ['on-tide', 'tide'],
      ['on-night', 'night'],
      ['sheet', 'ink'],
    ];
    const pale = text
      .map(([front, back]) => [`${front} on ${back}`, contrast(tokens[front] ?? '', tokens[back] ?? '')] as const)
      .filter(([, ratio]) => !(ratio >= 4.5));
    expect(pale).toEqual([]);
    expect(contrast(tokens.edge ?? '', tokens.sheet ?? '')).toBeGreaterThanOrEqual(3);
  });
});
