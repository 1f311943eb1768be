import { entireMetricsCollection as known } from '@capsizecss/metrics/entireMetricsCollection';

/**
 * The typefaces that ship for the storefront, by the names that src/Core/Looks/Typeface.php gives them. Two book faces, two
 * without serifs, one slab, one rounded, one for display, one of one width: chosen to differ.
 */
export const typefaces = {
  literata: { family: 'Literata', kind: 'serif', metrics: known.literata },
  lora: { family: 'Lora', kind: 'serif', metrics: known.lora },
  karla: { family: 'Karla', kind: 'sans', metrics: known.karla },
  'work-sans': { family: 'Work Sans', kind: 'sans', metrics: known.workSans },
  bitter: { family: 'Bitter', kind: 'serif', metrics: known.bitter },
  nunito: { family: 'Nunito', kind: 'sans', metrics: known.nunito },
  'playfair-display': { family: 'Playfair Display', kind: 'serif', metrics: known.playfairDisplay },
  'red-hat-mono': { family: 'Red Hat Mono', kind: 'mono', metrics: known.redHatMono },
};

const dejaVu = (name, xWidthAvg) => ({ ...known.arial, familyName: name, fullName: name, postscriptName: name.replaceAll(' ', ''), ascent: 1901, descent: -483, lineGap: 0, unitsPerEm: 2048, xWidthAvg, subsets: { latin: { xWidthAvg } } });

/** What a device has of its own, until a typeface arrives: the usual one, with those of the same widths, and the usual one of Linux. */
export const devices = {
  serif: { generic: 'serif', all: [[known.timesNewRoman, ['Times New Roman', 'Liberation Serif', 'Tinos']], [dejaVu('DejaVu Serif', 1058), ['DejaVu Serif']]] },
  sans: { generic: 'sans-serif', all: [[known.arial, ['Arial', 'Liberation Sans', 'Arimo']], [dejaVu('DejaVu Sans', 1041), ['DejaVu Sans']]] },
  mono: { generic: 'monospace', all: [[known.courierNew, ['Courier New', 'Liberation Mono', 'Cousine']], [dejaVu('DejaVu Sans Mono', 1233), ['DejaVu Sans Mono']]] },
};

export const fileOf = (name, part) => `node_modules/@fontsource-variable/${name}/files/${name}-${part}-wght-normal.woff2`;

/** The letters that nearly every page of a shop needs, and no others: those of Western Europe, with the signs that are set between them. */
export const usual = (() => {
  let letters = '';
  for (let code = 0x20; code < 0x100; code += 1) if (code < 0x7f || code > 0x9f) letters += String.fromCodePoint(code);
  return `${letters}ŒœŠšŽžŸ‐‑‒–—‘’‚“”„•…‹›€™−→`;
})();

/** As CSS names code points (CSS Fonts 4, 4.5). */
export function rangeOf(letters) {
  const codes = [...new Set([...letters].map((letter) => letter.codePointAt(0)))].sort((a, b) => a - b);
  const ranges = [];
  for (const code of codes) {
    const last = ranges.at(-1);
    if (last && last[1] === code - 1) last[1] = code;
    else ranges.push([code, code]);
  }
  return ranges.map(([from, to]) => `U+${from.toString(16).toUpperCase()}${to > from ? `-${to.toString(16).toUpperCase()}` : ''}`).join(',');
}
