import { relativeAddress } from '../address/href.ts';
import type { Picture } from '../plan/look-types.ts';

/** The folder of Kamino's own files in a site. */
const styleFolder = 'kamino';

/**
 * A picture in the units of `background`, seen from the folder of the style sheet.
 * @param over the colour or gradient under it; null for none
 */
export function pictureCss({ file, fill, at }: Picture, over: string | null): string {
  const address = relativeAddress(styleFolder, file).replace(/["\\]/g, letter => encodeURIComponent(letter));
  const size = fill === 'repeat' ? 'repeat' : fill === 'once' ? 'no-repeat' : `/ ${fill} no-repeat`;
  const own = `url("${address}") ${at} ${size}`;
  return over === null || over === 'none' || over === 'transparent' ? own : `${own}, ${over}`;
}

/** More than one colour is painted: a picture or a gradient, which a colour comes over as a layer. */
export const isLayered = (css: string): boolean => /gradient\(|url\(/.test(css);

/** A picture is part of it: what colours lie behind labels is no matter of its text. */
export const hasPicture = (css: string): boolean => css.includes('url(');
