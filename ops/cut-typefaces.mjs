// Cuts the typefaces that ship to the letters a shop needs, beside the built scripts: node ops/cut-typefaces.mjs
// For each a small file that nearly every page is set in, one with what is beyond, and the measures of what stands in for it.
import { createHash } from 'node:crypto';
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { createFontStack } from '@capsizecss/core';
import subset from 'subset-font';
import { devices, fileOf, rangeOf, typefaces, usual } from './typefaces.mjs';

const folder = 'public/storefront/assets';
mkdirSync(folder, { recursive: true });

const written = (name, bytes) => {
  const file = `assets/${name}-${createHash('sha256').update(bytes).digest('base64url').slice(0, 8)}.woff2`;
  writeFileSync(`public/storefront/${file}`, bytes);
  return file;
};

const made = {};
for (const [name, { family, kind, metrics }] of Object.entries(typefaces)) {
  const usualFile = await subset(readFileSync(fileOf(name, 'latin')), usual, { targetFormat: 'woff2', variationAxes: { wght: { min: 400, max: 700 } } });
  const stands = devices[kind].all.map(([device, names], n) => {
    const [face] = createFontStack([metrics, device], { fontFaceFormat: 'styleObject' }).fontFaces;
    const { ascentOverride, descentOverride, lineGapOverride, sizeAdjust } = face['@font-face'];
    return { family: `${family} ${n + 1}`, local: names, ascentOverride: ascentOverride ?? 'normal', descentOverride: descentOverride ?? 'normal', lineGapOverride: lineGapOverride ?? 'normal', sizeAdjust: sizeAdjust ?? '100%' };
  });
  made[name] = { family, generic: devices[kind].generic, usual: written(name, usualFile), beyond: written(`${name}-beyond`, readFileSync(fileOf(name, 'latin-ext'))), stands };
}
writeFileSync('public/storefront/.vite/typefaces.json', JSON.stringify({ range: rangeOf(usual), typefaces: made }));
