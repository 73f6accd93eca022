import { type Raw, lowerAscii } from '../text/bytes.ts';
import { behind, isSpace } from './codes.ts';
import { isServerCode } from './template-code.ts';

/** https://html.spec.whatwg.org/#comment-start-state: `<!-->` and `<!--->` are whole; `--!>` ends one too; -1 for none. */
export function endOfComment(raw: Raw, at: number): number {
  const short = /^<!---?>/.exec(raw.slice(at, at + 6));
  if (short) return at + short[0].length;
  const ends = /--!?>/g;
  ends.lastIndex = at + 4;
  return ends.test(raw) ? ends.lastIndex : -1;
}

/**
 * `<?php … ?>`, `<?= … ?>` and `<? … ?>` are template code, to the end of the page where it is never closed; any other
 * `<?` is a comment up to its `>`. -1 where the page ends in it.
 */
export function endOfInstruction(raw: Raw, at: number): number {
  if (isServerCode(raw, at)) return behind(raw, '?>', at + 2);
  return behind(raw, '>', at + 1);
}

/** https://html.spec.whatwg.org/#script-data-escaped-state: a `<script>` inside `<!--` hides the next `</script>`. */
function endOfScript(raw: Raw, from: number): number {
  const marks = /<!--|-->|<(\/?)script(?=[\t\n\f\r />])/gi;
  marks.lastIndex = from;
  let state: 'plain' | 'escaped' | 'double' = 'plain';
  for (let match = marks.exec(raw); match; match = marks.exec(raw)) {
    if (match[0] === '<!--') {
      if (state === 'plain') state = 'escaped';
      // `<!-->` opens and closes: the two dashes count for both.
      marks.lastIndex -= 2;
    } else if (match[0] === '-->') state = 'plain';
    else if (match[1] === '') state = state === 'plain' ? 'plain' : 'double';
    else if (state === 'double') state = 'escaped';
    else return match.index;
  }
  return raw.length;
}

export function endOfText(raw: Raw, name: string, from: number): number {
  if (name === 'plaintext') return raw.length;
  return name === 'script' ? endOfScript(raw, from) : endOfRawText(raw, name, from);
}

function endOfRawText(raw: Raw, name: string, from: number): number {
  for (let at = raw.indexOf('</', from); at >= 0; at = raw.indexOf('</', at + 2)) {
    const end = at + 2 + name.length;
    const code = raw.charCodeAt(end);
    if ((isSpace(code) || code === 0x2f || code === 0x3e) && lowerAscii(raw.slice(at + 2, end)) === name)
      return at;
  }
  return raw.length;
}
