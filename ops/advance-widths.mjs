// Writes the advance widths of the storefront's shipped typefaces to src/Core/Fit/Widths, in thousandths of the type size.
// Run it again when a typeface or a weight changes: node ops/advance-widths.mjs
import { mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { chromium } from '@playwright/test';
import { fileOf, typefaces } from './typefaces.mjs';

mkdirSync('src/Core/Fit/Widths', { recursive: true });
// What words are set in, and what headings and the shop's name are.
const faces = Object.keys(typefaces).flatMap((name) => [400, 500].map((weight) => [name, weight]));
const characters = [];
for (let code = 0x20; code < 0x250; code += 1) if (code < 0x7f || code > 0x9f) characters.push(code);
characters.push(0x2010, 0x2011, 0x2012, 0x2013, 0x2014, 0x2018, 0x2019, 0x201c, 0x201d, 0x2022, 0x2026, 0x2039, 0x203a, 0x20ac);

const browser = await chromium.launch({ executablePath: '/usr/bin/chromium-headless-shell', args: ['--no-sandbox'] });
const page = await browser.newPage();
for (const [name, weight] of faces) {
  const sources = ['latin', 'latin-ext'].map((part) => {
    return `data:font/woff2;base64,${readFileSync(fileOf(name, part)).toString('base64')}`;
  });
  const widths = await page.evaluate(
    async ({ sources, weight, characters }) => {
      document.fonts.clear();
      const loaded = [];
      for (const [n, source] of sources.entries()) {
        const face = new FontFace(`shipped${n}`, `url(${source})`, { weight: '200 900' });
        document.fonts.add(await face.load());
        loaded.push(`shipped${n}`);
      }
      const canvas = document.createElement('canvas').getContext('2d');
      const measure = (text, families) => {
        canvas.font = `${weight} 1000px ${families}`;
        return canvas.measureText(text).width;
      };
      // What neither file has falls back to something with other widths in two different fallbacks.
      return characters
        .map((code) => [code, measure(String.fromCodePoint(code), `${loaded.join(', ')}, monospace`), measure(String.fromCodePoint(code), `${loaded.join(', ')}, sans-serif`)])
        .filter(([, one, other]) => one === other && one > 0)
        .map(([code, width]) => [code, Math.round(width)]);
    },
    { sources, weight, characters },
  );
  const rows = [];
  for (let n = 0; n < widths.length; n += 9) {
    const some = widths.slice(n, n + 9).map(([code, width]) => `${code} => ${width},`);
    rows.push(`        ${some.join(' ')}`);
  }
  const face = name.replace(/(?:^|-)(.)/g, (_, letter) => letter.toUpperCase()) + weight;
  writeFileSync(
    `src/Core/Fit/Widths/${face}.php`,
    `<?php

declare(strict_types=1);

namespace Lantern\\Core\\Fit\\Widths;

/** Made by ops/advance-widths.mjs. */
final class ${face}
{
    /** Advance widths of ${name}, weight ${weight}, by code point, in thousandths of the type size. */
    public const ADVANCES = [
${rows.join('\n')}
    ];
}
`,
  );
  console.log(name, widths.length);
}
await browser.close();
