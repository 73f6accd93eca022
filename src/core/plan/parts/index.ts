import type { Keys } from '../../format/key.ts';
import { buttonKeys } from './button.ts';
import { entryKeys } from './entry.ts';
import { foldKeys, toggleKeys } from './fold.ts';
import { fontKeys, stateFontKeys } from './font.ts';
import { frameKeys } from './frame.ts';
import { pictureKeys } from './picture.ts';
import { languageKeys, wordKeys } from './language.ts';
import { contrastKeys, lookKeys, ownLookKeys, partsKeys } from './look.ts';
import { markerKeys } from './marker.ts';
import { homeKeys } from './home.ts';
import { menuKeys } from './menu.ts';
import { opensKeys, staysKeys } from './opens.ts';
import { panelsKeys } from './panels.ts';
import { entryPictureKeys, pictureWordKeys, picturesKeys, stripKeys } from './pictures.ts';
import { placeKeys } from './place.ts';
import { labelsKeys, linksKeys, planKeys } from './plan.ts';
import { questionKeys } from './question.ts';
import { excuseKeys, rulesKeys } from './rules.ts';
import { separatorKeys } from './separators.ts';
import { stateKeys, statesKeys } from './states.ts';
import { toTopKeys } from './to-top.ts';

/** A part of the plan that has keys of its own. */
interface PartRecord {
  /** How it is called in a message. */
  called: string;
  /** Where it stands in a plan. */
  stands: string;
  keys: Keys;
  /** What stands under each name, where its keys are names. */
  each: string | null;
}

const part = (
  called: string,
  stands: string,
  keys: Keys,
  { each = null }: { each?: string | null } = {},
): PartRecord => ({ called, stands, keys, each });

/** Every part of the plan. */
export const parts = {
  plan: part('a plan', 'of the plan itself', planKeys),
  languages: part('`languages`', 'of `languages`', {}, { each: 'language' }),
  language: part('a language', 'of each language in `languages`', languageKeys),
  words: part('`words`', 'of `words` in a language', wordKeys),
  labels: part('`labels`', 'of `labels`', labelsKeys),
  links: part('`links`', 'of `links`', linksKeys),
  menu: part('a menu', 'of a menu in `menus`', menuKeys),
  place: part('`place`', 'of `place` in a menu', placeKeys),
  stays: part('`stays`', 'of `stays` in a menu', staysKeys),
  home: part('`home`', 'of `home` in a menu', homeKeys),
  separators: part('`separators`', 'of `separators` in a menu', separatorKeys),
  opens: part('`opens`', 'of `opens` in a menu', opensKeys),
  fold: part('`fold`', 'of `fold` in a menu', foldKeys),
  toggle: part('`toggle`', 'of `toggle` in a `fold`', toggleKeys),
  button: part('a button', 'of a button in `buttons`', buttonKeys),
  panels: part('`panels`', 'of a group in `panels`', panelsKeys),
  'to-top': part('`to-top`', 'of `to-top`', toTopKeys),
  question: part('a question', 'of a question in `questions`', questionKeys),
  rules: part('`rules`', 'of `rules`', rulesKeys),
  excuse: part('an excuse', 'of a line in `excuse`', excuseKeys),
  pictures: part('`pictures`', 'of a line in `pictures`', picturesKeys),
  strip: part('`strip`', 'of `strip` in `pictures`', stripKeys),
  'picture-words': part('`words`', 'of `words` in `pictures`', pictureWordKeys),
  'picture-entries': part('`entries`', 'of `entries` in `pictures`', {}, { each: 'entry-pictures' }),
  'entry-pictures': part('an entry', 'of an entry in `pictures`', entryPictureKeys),
  entry: part('an entry', 'of an entry in `entries`', entryKeys),
  look: part('a look', 'of `look`', lookKeys),
  frame: part('`frame`', 'of `frame` in a look', frameKeys),
  picture: part('`picture`', 'of `picture` in a look', pictureKeys),
  font: part('`font`', 'of `font` in a look', fontKeys),
  states: part('`states`', 'of `states` in a look', statesKeys),
  state: part('a state', 'of each state in `states`', stateKeys),
  marker: part('`marker`', 'of `marker` in a state', markerKeys),
  parts: part('`parts`', 'of `parts` in a look', partsKeys),
  contrast: part('`contrast`', 'of `contrast` in a look', contrastKeys),
  looks: part('`looks`', 'of `looks`', {}, { each: 'look' }),
  // Told with `look` and `font`, of which they are a part.
  'own-look': part('a look', 'of a look of an entry, or of a part', ownLookKeys),
  'state-font': part('`font`', 'of `font` in a state', stateFontKeys),
};
export type Part = keyof typeof parts;

/** The part that the value of a key, or of a name, in a part is; null where that has no keys of its own. */
export function partBelow(part: Part, key: string): Part | null {
  return (parts[part].keys[key]?.below ?? parts[part].each) as Part | null;
}
