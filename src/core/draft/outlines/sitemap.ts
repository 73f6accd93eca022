import { SaxesParser } from 'saxes';
import { folderOfAll } from '../../address/front.ts';
import { decodePercent } from '../../address/href.ts';
import { OutlineError } from './types.ts';

/**
 * The paths that a sitemap names (https://www.sitemaps.org/protocol.html), from the folder that all of them share.
 * @throws OutlineError
 */
export function sitemapPaths(text: string): string[] {
  const urls: string[] = [];
  let isIn = false;
  let url = '';
  const parser = new SaxesParser({ position: true });
  parser.on('error', error => {
    throw new OutlineError(`this is no XML: ${error.message}`, parser.line, 'Save the sitemap again.');
  });
  parser.on('opentag', ({ name }) => {
    isIn = name === 'loc';
    url = '';
  });
  parser.on('text', words => {
    if (isIn) url += words;
  });
  parser.on('closetag', ({ name }) => {
    if (name === 'loc' && url.trim() !== '') urls.push(url.trim());
    isIn = false;
  });
  parser.write(text).close();
  if (urls.length === 0)
    throw new OutlineError('it names no pages', null, 'Pages stand in  <url><loc>…</loc></url>');
  const paths = urls.map(one => decodePercent(new URL(one, 'https://site.example/').pathname));
  const shared = `${folderOfAll(paths)}/`;
  return paths
    .map(path => path.slice(shared.length) || 'index.html')
    .map(path => (path.endsWith('/') ? `${path}index.html` : path));
}
