import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { beforeAll, describe, expect, test } from '@jest/globals';
import { fallbackWidth } from '../../src/core/look/fallbacks.ts';
import { readFont } from '../../src/files/font.ts';
import { open, useBrowser } from '../helpers/browser.ts';
import { demoFolder, folderWith } from '../helpers/site.ts';

const own = (name: string): string => join(demoFolder, 'fonts', name);
const system = (path: string): string => join('/usr/share/fonts/truetype', path);

/** Fonts of the demo, and those that a Debian machine may have. */
const fonts = [
  own('source-sans-400.woff2'),
  own('source-sans-600.woff2'),
  own('source-serif-600.woff2'),
  system('dejavu/DejaVuSans.ttf'),
  system('dejavu/DejaVuSerif.ttf'),
  system('dejavu/DejaVuSans-Bold.ttf'),
  system('liberation/LiberationSerif-Regular.ttf'),
  system('noto/NotoSansArabic-Regular.ttf'),
  system('noto/NotoSansDevanagari-Regular.ttf'),
].filter(existsSync);

const latin =
  'Tonight’s sky|Visit|Telescopes|Book a night|AVATAR Types|Wolf, Yew & To|Fjord 1998|Äpfel Über Straße|Ymweld â ni|Coöperation|Office files|LTA VAT “We”|Ø–Å 10:30|¿Qué? ¡Sí!|Tea, P. Yorke'.split(
    '|',
  );
const greek = 'Αστεροσκοπείο|Επίσκεψη|Πλανήτες|Ώρες λειτουργίας'.split('|');
const cyrillic = 'Обсерватория|Сегодня ночью|Телескопы|Где мы?'.split('|');
const shaped = 'مرصد السماء|الزيارة|التلسكوبات|वेधशाला|दूरबीन|आज रात का आकाश'.split('|');
const labels = [
  ...latin,
  ...greek,
  ...cyrillic,
  ...shaped,
  ...latin.flatMap(one => [one.toUpperCase(), `${one} ${latin[3]!}`]),
];
const sizes = [14, 16, 18.5, 21];

let page = '';
useBrowser();
beforeAll(() => {
  const faces = fonts.map((_, at) => `@font-face{font-family:f${at};src:url(${at})}`).join('');
  const folder = folderWith({
    ...Object.fromEntries(fonts.map((file, at) => [String(at), readFileSync(file)])),
    'index.html': `<!doctype html><html lang="en"><meta charset="utf-8"><title>A</title><style>${faces}span{white-space:pre;font-synthesis:none}</style><body></body></html>`,
  });
  page = pathToFileURL(join(folder, 'index.html')).href;
});

describe('text widths are those of a browser', () => {
  let compared = 0;

  test.each(fonts.map((file, at) => [file.split('/').at(-1)!, file, at] as const))(
    'in %s',
    async (_, file, at) => {
      const font = readFont(file);
      const known = labels.filter(label => font.widthOf(label, 400) !== null);
      const tab = await open(page);
      const seen = await tab.evaluate(
        async ({ known, at, sizes }) => {
          await document.fonts.load(`16px f${at}`);
          return known.flatMap(label =>
            sizes.map(size => {
              const span = document.createElement('span');
              span.textContent = label;
              span.style.font = `${size}px f${at}`;
              document.body.replaceChildren(span);
              return { label, size, width: span.getBoundingClientRect().width };
            }),
          );
        },
        { known, at, sizes },
      );
      const wrong = seen.flatMap(({ label, size, width }) => {
        const ours = font.widthOf(label, 400)! * size;
        compared += 1;
        const most = shaped.includes(label) ? width * 0.02 : 0.5;
        return Math.abs(ours - width) > most ? [`${label} at ${size}: ${ours} for ${width}`] : [];
      });
      expect(wrong).toEqual([]);
      await tab.context().close();
    },
  );

  test('over at least 400 labels', () => {
    expect(compared).toBeGreaterThanOrEqual(400);
  });
});

test.each(['Georgia, serif', 'sans-serif', 'Consolas, monospace', '"Some Face"'])(
  'a text in %s is no wider than in the widest of the fonts that people may have',
  async family => {
    const tab = await open(page);
    const known = [...latin, ...cyrillic];
    const seen = await tab.evaluate(
      ({ known, family }) =>
        [400, 700].flatMap(weight =>
          known.map(label => {
            const span = document.createElement('span');
            span.textContent = label;
            span.style.font = `${weight} 16px ${family}`;
            document.body.replaceChildren(span);
            return { label, weight, width: span.getBoundingClientRect().width };
          }),
        ),
      { known, family },
    );
    // Letters are set closer together than by their own widths at most.
    const wider = seen.filter(
      ({ label, weight, width }) => width > fallbackWidth(label, family, weight).most * 16 + 0.5,
    );
    expect([seen.length > 30, wider]).toEqual([true, []]);
    await tab.context().close();
  },
);
