import { eachTarget } from '../../site/targets.ts';
import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** A finished page that was copied or renamed with its menus in it. */
export const copiedPage: CheckRule = {
  name: 'copied-page',
  severity: 'warning',
  about: 'The menus of a page mark that page.',
  why: 'The page was copied from a finished one, and its menus still say that it is the other one.',
  example: 'cp built/visit.html built/rooms.html',
  find: (site, tell) => {
    const marked = new Map<string, { start: number; end: number; to: string; isOwn: boolean }>();
    eachTarget(site, ({ frame }, to, _, link) => {
      if (!link.isCurrent) return;
      const isOwn = to === frame.path;
      const known = marked.get(frame.path);
      if (!known || (isOwn && !known.isOwn))
        marked.set(frame.path, { start: link.start, end: link.end, to, isOwn });
    });
    return [...marked]
      .filter(([, one]) => !one.isOwn)
      .map(([path, { start, end, to }]) =>
        tell(
          placeInRaw(site.pages.get(path)!.frame, start, end),
          `the menus of this page say that it is ${to}: it was copied from there`,
          'Take it over into the site, without the menus, and build:  kamino take-back',
        ),
      );
  },
};
