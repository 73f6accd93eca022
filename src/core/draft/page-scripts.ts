import { fileAtAddress, readAddress } from '../address/href.ts';
import { type SitePath, folderOf } from '../address/path.ts';
import { type Tree, valueOf } from '../page/tree.ts';

/** The script files of the site that a page loads. */
export function scriptsOf(path: SitePath, { nodes, charset }: Tree, base: string): SitePath[] {
  return nodes.flatMap(node => {
    const src = node.name === 'script' ? valueOf(node, 'src', charset) : null;
    const file = src === null ? null : fileAtAddress(readAddress(src, folderOf(path)), base);
    return file === null ? [] : [file];
  });
}
