import type { TrialAnswer, TrialAsk, TrialEdit } from '../../server/types.ts';
import { menuClass, parts } from '../../core/markup/names.ts';
import { all, styleOf } from '../shared.ts';

/** Runs in the page of widths: tries values of a look in all of its frames at once, and writes them into the plan. */
type Path = readonly (string | number)[];
type Field = readonly [key: string, label: string, kind: string | readonly string[]];
const data = JSON.parse(document.getElementById('controls')!.textContent) as {
  token: string;
  menus: { name: string; path: Path }[];
  fields: Record<'atRest' | 'ofMenu' | 'inState', Field[]>;
};
const column = document.querySelector<HTMLElement>('.controls')!;
const within = <Kind extends Element>(selector: string): Kind => column.querySelector<Kind>(selector)!;
const [menu, part, state] = ['menu', 'part', 'of-state'].map(name =>
  within<HTMLSelectElement>(`[name=${name}]`),
) as [HTMLSelectElement, HTMLSelectElement, HTMLSelectElement];
/** What was changed and not written, by its path. */
let edits = new Map<string, TrialEdit>();
let fields: { path: Path; input: HTMLInputElement | HTMLSelectElement; color: HTMLInputElement | null }[] =
  [];
let asked = 0;

function base(): Path {
  const own = data.menus.find(one => one.name === menu.value)?.path ?? ['look'];
  const inPart = part.value === '' ? own : [...own, 'parts', part.value];
  return state.value === '' ? inPart : [...inPart, 'states', state.value];
}

function fieldsNow(): Field[] {
  if (state.value !== '') return data.fields.inState;
  return part.value === '' ? [...data.fields.atRest, ...data.fields.ofMenu] : data.fields.atRest;
}

/** What a value is in the style sheet by itself, by its key at rest and in a state. */
const direct: Record<string, string> = {
  color: 'color',
  background: 'background',
  accent: 'accent',
  padding: 'padding',
  radius: 'radius',
  gap: 'gap',
  border: 'border',
  shadow: 'shadow',
  'font.size': 'font-size',
  'font.weight': 'font-weight',
  'font.spacing': 'letter-spacing',
};
const places: Record<string, string> = {
  '': '',
  submenu: ` .${parts.submenu}`,
  fold: ` .${parts.fold}`,
  toggle: ` .${parts.toggle} > *`,
  home: ` .${parts.home}`,
  scrolled: `.${parts.scrolled}`,
};

/** A value is seen at once; what follows from it comes with the style sheet. */
function hurry(key: string, value: string): void {
  const name = direct[key];
  if (name === undefined || value === '') return;
  const property = `--kamino-${state.value === '' ? '' : `${state.value}-`}${name}`;
  const own = menu.value === '' ? `.${parts.menu}` : `.${menuClass(menu.value)}`;
  for (const inside of documents())
    for (const element of all(own + places[part.value]!, inside)) {
      const [set, takers] = atOnce(element, property, value);
      for (const one of takers) {
        one.style.setProperty(set, value);
        hurried.push([one, set]);
      }
    }
}

/** Where a value is set so that as little as can be has to be styled anew: a property of its own, and who has it. */
function atOnce(element: HTMLElement, property: string, value: string): [string, HTMLElement[]] {
  if (!CSS.supports('color', value)) return [property, [element]];
  if (property === '--kamino-background' && styleOf(element, 'background-image') === 'none')
    return ['background-color', [element]];
  return property === '--kamino-color' ? ['color', labelsIn(element)] : [property, [element]];
}

/** What is seen in the colour of its menu, or has been a moment ago; what is hidden is not asked. */
function labelsIn(element: HTMLElement): HTMLElement[] {
  const color = styleOf(element, 'color');
  const before = new Set(hurried.map(([one, set]) => (set === 'color' ? one : null)));
  return all(`.${parts.link}, .${parts.home}, summary, button`, element).filter(
    one => before.has(one) || !one.checkVisibility() || styleOf(one, 'color') === color,
  );
}
let hurried: [element: HTMLElement, property: string][] = [];

const documents = (): Document[] =>
  all<HTMLIFrameElement>('main iframe').flatMap(frame => frame.contentDocument ?? []);

function sheetIn(inside: Document, id: string): HTMLElement {
  const there = inside.getElementById(id);
  if (there) return there;
  const made = inside.createElement('style');
  made.id = id;
  inside.head.append(made);
  return made;
}

/** Puts a style sheet into every frame in the place of the one that is there. */
function wear(style: string): void {
  for (const inside of documents()) {
    const link = inside.querySelector<HTMLLinkElement>('link[href*="kamino/menu.css"]');
    if (!link) continue;
    const own = sheetIn(inside, 'kamino-tried');
    if (own.previousElementSibling !== link) link.after(own);
    own.textContent = style;
    link.disabled = true;
  }
  for (const [element, property] of hurried) element.style.removeProperty(property);
  hurried = [];
}

async function ask(act: TrialAsk['act']): Promise<void> {
  const number = (asked += 1);
  const scope = { menu: menu.value || null, part: part.value || null, keys: fields.map(one => one.path) };
  const body = JSON.stringify({ token: data.token, act, edits: [...edits.values()], scope });
  const headers = { 'Content-Type': 'application/json' };
  const answer = await fetch('/_kamino/trial', { method: 'POST', headers, body });
  const found = (await answer.json()) as TrialAnswer;
  if (number === asked) show(found, act);
}

function show(
  { style, problems, lines, figures, said, isUndoable }: TrialAnswer,
  act: TrialAsk['act'],
): void {
  if (style !== null) wear(style);
  if (act !== 'try' && style !== null) edits = new Map();
  said.forEach((value, at) => fill(fields[at]!, value));
  const told = within<HTMLElement>('.told');
  told.hidden = problems === null;
  told.textContent = problems;
  within('.lines pre').replaceChildren(
    ...(edits.size === 0 ? ['Nothing is changed.'] : lines).map(line => {
      const one = document.createElement('div');
      one.textContent = line;
      return one;
    }),
  );
  within<HTMLButtonElement>('[name=undo]').disabled = !isUndoable;
  within('.figures').replaceChildren(
    ...figures.map(({ state: name, of, ratio, isEnough }) => {
      const one = document.createElement('span');
      one.className = isEnough ? '' : 'low';
      one.textContent = `${name} ${of} ${ratio}`;
      return one;
    }),
  );
  column.dataset['tried'] = String(asked);
}

function fill({ input, color }: (typeof fields)[number], value: string | null): void {
  if (document.activeElement !== input) input.value = value ?? '';
  if (color && /^#[0-9a-f]{6}$/i.test(value ?? '')) color.value = value!;
}

function change(path: Path, value: string): void {
  edits.set(path.join(' '), { path, value: value.trim() === '' ? null : value.trim() });
  if (isSoon) return;
  isSoon = true;
  // What is seen at once is drawn first.
  requestAnimationFrame(() =>
    setTimeout(() => {
      isSoon = false;
      void ask('try');
    }),
  );
}
let isSoon = false;

/** The first number of a text, a step larger or smaller. */
function nudged(text: string, up: boolean, isLarge: boolean): string {
  return text.replace(/-?\d+(?:\.\d+)?/, number => {
    const decimals = number.split('.')[1]?.length ?? 0;
    const isWhole = decimals === 0 && !/\b(?:em|rem)\b|\d(?:em|rem)/.test(text);
    const step = (isWhole ? 1 : 0.05) * (isLarge ? 10 : 1);
    const next = Number(number) + (up ? step : -step);
    return String(Number(next.toFixed(Math.max(decimals, 2))));
  });
}

function control([key, label, kind]: Field): HTMLElement {
  const path = [...base(), ...key.split('.')];
  const row = document.createElement('label');
  row.append(label);
  const isWords = typeof kind !== 'string';
  const input = document.createElement(isWords ? 'select' : 'input');
  input.setAttribute('aria-label', label);
  if (isWords) for (const word of ['', ...kind]) input.append(new Option(word, word));
  const changed = (): void => {
    hurry(key, input.value.trim());
    change(path, input.value);
  };
  input.addEventListener('input', changed);
  let color: HTMLInputElement | null = null;
  if (kind === 'color') {
    color = document.createElement('input');
    color.type = 'color';
    color.setAttribute('aria-label', `${label}, picked`);
    color.addEventListener('input', () => {
      input.value = color!.value;
      changed();
    });
    const both = document.createElement('span');
    both.className = 'color';
    both.append(color, input);
    row.append(both);
  } else row.append(input);
  if (kind === 'length' || kind === 'share')
    input.addEventListener('keydown', event => {
      const { key: pressed, shiftKey } = event as KeyboardEvent;
      if (pressed !== 'ArrowUp' && pressed !== 'ArrowDown') return;
      event.preventDefault();
      input.value = nudged(input.value, pressed === 'ArrowUp', shiftKey);
      changed();
    });
  fields.push({ path, input, color });
  return row;
}

function draw(): void {
  fields = [];
  within('.fields').replaceChildren(...fieldsNow().map(control));
  void ask('try');
}

for (const one of [menu, part, state]) one.addEventListener('change', draw);
// The state that is changed is held in the frames, where it can be.
state.addEventListener('change', () => {
  document.querySelector<HTMLInputElement>(`[type=radio][name=state][value="${state.value}"]`)?.click();
});
within('[name=write]').addEventListener('click', () => void ask('write'));
within('[name=undo]').addEventListener('click', () => {
  edits = new Map();
  void ask('undo');
});
within('[name=reset]').addEventListener('click', () => {
  edits = new Map();
  draw();
});
draw();
