import { type Finding, finding } from '../text/finding.ts';
import { listed, nearest } from '../text/nearest.ts';
import { visitors } from './visitors.ts';

/** A visitor that nobody knows; null where all are known. */
export function noVisitor(names: readonly string[]): Finding | null {
  const known = visitors.map(one => one.name);
  const wrong = names.find(one => !known.includes(one));
  if (wrong === undefined) return null;
  const near = nearest(wrong, known);
  return finding(
    'wrong-value',
    null,
    `there is no visitor \`${wrong}\``,
    near ? `Did you mean \`${near}\`?` : `They are ${listed(known, 'and')}.`,
  );
}

/** A visitor whom this browser cannot be. */
export function notPlayed(called: string, browser: string): Finding {
  return {
    rule: 'not-walked',
    severity: 'note',
    place: null,
    message: `${browser} cannot be a visitor with “${called}”: nothing tells it to show a page so`,
    remedy: 'Walk with a Chromium for that:  --visitor paper',
  };
}
