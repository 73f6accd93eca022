import type { PictureState } from '../plan/picture-types.ts';
import { pictureStates } from '../plan/parts/pictures.ts';
import type { Mark } from '../text/mark.ts';
import type { ButtonPictures, Told } from './button-types.ts';
import { sameRaster } from './raster.ts';

type MarkOf = (hook: string, state: PictureState) => Mark;

export const dimensions = ({ width, height }: { width: number; height: number }): string =>
  `${width} x ${height} px`;

/** Pictures of one entry that are of other sizes. */
export function unequalSizes(buttons: readonly ButtonPictures[], markOf: MarkOf): Told[] {
  return buttons.flatMap(({ hook, states }) => {
    const base = states.base!;
    return pictureStates.flatMap((state): Told[] => {
      const other = states[state];
      if (!other || (other.one.width === base.one.width && other.one.height === base.one.height)) return [];
      const message = `\`${other.file}\` is ${dimensions(other.one)}, and \`${base.file}\` ${dimensions(base.one)}: the smaller one stands in the middle of the room of the larger`;
      return [{ rule: 'picture-size', mark: markOf(hook, state), message, remedy: 'Save both in one size.' }];
    });
  });
}

/** Pictures that were copied and never drawn over. @param isStrip all of them are parts of one file */
export function alikePictures(buttons: readonly ButtonPictures[], markOf: MarkOf, isStrip: boolean): Told[] {
  const told: Told[] = [];
  for (const [at, { hook, label, states }] of buttons.entries()) {
    const base = states.base!;
    const isTwin = ({ states: others }: ButtonPictures): boolean =>
      (isStrip || others.base!.file !== base.file) && sameRaster(others.base!.one, base.one);
    const twin = buttons.slice(0, at).find(isTwin);
    if (twin)
      told.push({
        rule: 'same-picture',
        mark: markOf(hook, 'base'),
        message: isStrip
          ? `\`${twin.label}\` and \`${label}\` have the same picture`
          : `\`${base.file}\` is the same picture as \`${twin.states.base!.file}\`: \`${twin.label}\` and \`${label}\` look alike`,
        remedy: 'Draw one of them anew.',
      });
    for (const state of ['hover', 'current', 'pressed'] as const) {
      const other = states[state];
      if (!other || other.one === base.one || !sameRaster(other.one, base.one)) continue;
      told.push({
        rule: 'same-picture',
        mark: markOf(hook, state),
        message: `\`${label}\` has the same picture in the state \`${state}\` as at rest`,
        remedy: 'Draw it anew, or take it out.',
      });
    }
  }
  return told;
}
