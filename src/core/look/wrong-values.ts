import type { Look, StateLook } from '../plan/look-types.ts';
import type { Plan } from '../plan/types.ts';
import type { Finding } from '../text/finding.ts';
import type { Source } from '../text/source.ts';
import type { ValueOf } from './grammar.ts';
import { looksIn } from './looks-in.ts';
import { LookTeller } from './teller.ts';

type Fits = (property: ValueOf, value: string) => boolean;

/** What a value is called, and one that is right. */
const kinds: Readonly<Record<string, readonly [property: ValueOf, called: string, example: string]>> = {
  accent: ['color', 'colour', '"#3d5a80"'],
  background: ['background', 'colour', '"#14213a"'],
  color: ['color', 'colour', '"#1d2733"'],
  'icon-color': ['color', 'colour', '"#e9b44c"'],
  border: ['border', 'border', '"1px solid #d5dbe3"'],
  shadow: ['box-shadow', 'shadow', '0 1px 4px rgb(0 0 0 / 0.2)'],
  'font.family': ['font-family', 'font', 'Georgia, serif'],
};

/** Values of looks that are none of CSS. They would do nothing, or more than they should: they are written nowhere. */
export function wrongValues(plan: Plan, fits: Fits, source: Source): Finding[] {
  const teller = new LookTeller(source);
  for (const look of looksIn(plan)) {
    const tell = (path: string, key: string, value: string | null): void => {
      const [property, called, example] = kinds[key]!;
      if (value === null || fits(property, value)) return;
      const shown = key.split('.').at(-1)!;
      teller.tell('wrong-value', look, path, [
        `\`${value.length > 60 ? `${value.slice(0, 59)}…` : value}\` is no ${called} of CSS`,
        `For example  ${shown}: ${example}`,
      ]);
    };
    for (const [key, value] of valuesOf(look)) tell(key, key, value);
    tell('font.family', 'font.family', look.font.family);
    for (const [name, state] of Object.entries(look.states))
      for (const [key, value] of valuesOf(state)) tell(`states.${name}.${key}`, key, value);
  }
  return teller.findings;
}

function valuesOf(one: Look | StateLook): [key: string, value: string | null][] {
  const { accent, background, color, border, shadow, iconColor } = one;
  return Object.entries({ accent, background, color, border, shadow, 'icon-color': iconColor });
}
