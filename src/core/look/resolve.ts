import type { Look } from '../plan/types.ts';
import { type Finding, finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import { type ResolvedLook, hoverShare, onPage, pressedShare } from './page.ts';
import { contrast, mix, nearestPassing, readColor } from './color.ts';
import type { Hex } from './hex.ts';

/** Levels of WCAG 2.2: 1.4.3 for text, 1.4.11 for marks. */
const textLevel = 4.5;
const markLevel = 3;
const ink = '#1b2430';
const paper = '#ffffff';

/**
 * Every colour from the three that the plan may give. Without a background the menu lies on the page's own ground,
 * without a colour it takes the page's.
 */
export function resolveLook(look: Look, source: Source): { look: ResolvedLook; findings: Finding[] } {
  const findings: Finding[] = [];
  const read = (key: 'accent' | 'background' | 'color'): Hex | null => {
    const written = look[key];
    if (written === null || (key === 'background' && written === 'none')) return null;
    const hex = readColor(written);
    if (hex === null) findings.push(noColor(key, written, look, source));
    return hex;
  };
  const [accent, background, color] = [read('accent'), read('background'), read('color')];
  const onAccent = accent === null ? null : textOn(accent);
  if (background === null) {
    const colors = onPage(accent, color);
    return { look: onAccent === null ? colors : { ...colors, onAccent }, findings };
  }
  const text = color ?? textOn(background);
  if (color !== null && contrast(color, background) < textLevel)
    findings.push(lowContrast(color, background, look, source));
  return { look: onGround(background, text, accent ?? text), findings };
}

/** On a known ground every figure is known. */
function onGround(background: Hex, color: Hex, accent: Hex): ResolvedLook {
  const hoverBackground = mix(background, accent, hoverShare);
  const pressedBackground = mix(background, accent, pressedShare);
  const grounds = [background, hoverBackground, pressedBackground];
  const mark = nearestPassing(accent, grounds, markLevel);
  const hoverColor = nearestPassing(
    color,
    [hoverBackground, pressedBackground],
    Math.min(textLevel, contrast(color, background)),
  );
  return {
    color,
    background,
    accent,
    hoverColor,
    hoverBackground,
    pressedBackground,
    marker: mark,
    focus: mark,
    onAccent: textOn(accent),
  };
}

/** Ink or paper, whichever stands out more; on a ground where neither suffices, what does. */
function textOn(ground: Hex): Hex {
  return nearestPassing(contrast(ink, ground) >= contrast(paper, ground) ? ink : paper, [ground], textLevel);
}

function noColor(
  key: 'accent' | 'background' | 'color',
  written: string,
  look: Look,
  source: Source,
): Finding {
  const { start, end } = look.marks[key];
  return finding(
    'wrong-value',
    source.place(start, end),
    `\`${written}\` is no colour of CSS`,
    `For example  ${key}: "#3d5a80"`,
  );
}

function lowContrast(color: Hex, background: Hex, look: Look, source: Source): Finding {
  const { start, end } = look.marks.color;
  const ratio = contrast(color, background).toFixed(2);
  const passing = nearestPassing(color, [background], textLevel);
  return finding(
    'low-contrast',
    source.place(start, end),
    `text in ${color} on ${background} has a contrast of ${ratio}; 4.5 is needed`,
    `The nearest that passes:  color: "${passing}"`,
  );
}
