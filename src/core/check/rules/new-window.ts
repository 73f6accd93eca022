import { placeInRaw } from '../../text/place.ts';
import type { CheckRule } from '../types.ts';

/** A new window is announced (WCAG 2.2, technique G201). */
export const newWindow: CheckRule = {
  name: 'new-window',
  severity: 'note',
  about: 'A link that opens a new window says so.',
  why: 'Back does not work in a new window, and who does not see it open is lost.',
  example: '<a target="_blank">Map</a>  →  <a target="_blank">Map (new window)</a>',
  find: (site, tell) =>
    [...site.pages.values()].flatMap(({ frame, windows }) =>
      windows.flatMap(({ start, end }) => {
        const text = frame.raw.slice(
          start,
          frame.raw.indexOf('</a', end) < 0 ? end : frame.raw.indexOf('</a', end),
        );
        // A picture, words in brackets, a title or a hidden part may say it in any language.
        if (/\b(?:window|tab)\b|<(?:img|svg|span|small|i|em|abbr)\b|\(|\btitle=|aria-label/i.test(text))
          return [];
        return [
          tell(
            placeInRaw(frame, start, end),
            'this link opens a new window, and does not say so',
            'Say it:  (new window)  or take out  target="_blank"',
          ),
        ];
      }),
    ),
};
