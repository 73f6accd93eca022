import { type WrittenOf, needed, oneOf, preset } from '../../format/key.ts';
import { text } from '../../format/values.ts';
import { pictureFills, picturePlaces } from '../look-types.ts';

/** A picture as the ground of a menu, an entry or a part. */
export const pictureKeys = {
  file: needed(text, {
    takes: 'a picture of the site',
    means: 'The picture. `background` is what is there until it has come, and around it.',
    example: 'file: img/hill.jpg',
  }),
  fill: preset(oneOf(...pictureFills), 'cover', {
    means:
      '`cover`: all of the ground, cut off where it has other proportions. `contain`: all of the picture is seen. `repeat`: in its own size, side by side. `once`: in its own size.',
    example: 'file: img/stars.svg\nfill: repeat',
  }),
  at: preset(oneOf(...picturePlaces), 'center', {
    means:
      'Which part of it is seen where it is cut off, and where it stands where it does not fill the ground.',
    example: 'file: img/hill.jpg\nat: bottom',
  }),
} as const;
export type WrittenPicture = WrittenOf<typeof pictureKeys>;
