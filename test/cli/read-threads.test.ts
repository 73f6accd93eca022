import { expect, it } from '@jest/globals';
import { folderWith, kamino, kaminoAlone } from '../helpers/site.ts';

const count = 40;
const longPage = (number: number): string => {
  const prose = `<p>${`Words of page ${number}. `.repeat(9000)}</p>`;
  const style = number === 3 ? '' : '<style>\n#top a { color: red }\n</style>';
  return `<!doctype html>\n<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width"><title>Page ${number}</title>${style}</head><body><div id="top"></div><main id="m"><h1>${number}</h1><a href="nowhere-${number}.html">x</a>${prose}</main></body></html>\n`;
};
const name = (number: number): string => `page-${String(number).padStart(2, '0')}.html`;
const pages = Object.fromEntries(Array.from({ length: count }, (_, at) => [name(at), longPage(at)]));

it('finds the same in a site so large that two threads read it, whichever of them meets a page', () => {
  const entries = Object.keys(pages).join(', ');
  const folder = folderWith({
    ...pages,
    'kamino.yaml': `kamino: 1\nmenus:\n  - { menu: m, place: { first-in: "#top" }, entries: [${entries}] }\n`,
  });
  expect(kamino(folder, 'build').status).toBe(0);
  const [first, again] = [1, 2].map(() => kaminoAlone(folder, 'check', '--json'));
  expect(again!.out).toBe(first!.out);
  const found = (
    JSON.parse(first!.out) as { findings: { rule: string; message: string; place: { file: string } }[] }
  ).findings;
  expect(found.filter(one => one.rule === 'dead-link').map(one => one.place.file)).toEqual(
    Object.keys(pages).map(one => `built/${one}`),
  );
  const outranked = found.filter(one => one.rule === 'outranked');
  expect(outranked.map(one => one.place.file)).toEqual([`built/${name(0)}`]);
  expect(outranked[0]!.message).toContain(`on ${count - 1} pages`);
});
